<?php

declare(strict_types=1);

namespace App\Device;

use Random\Engine;
use Random\Randomizer;
use Sitzplatz\Test\PullSample;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/**
 * The hidden truth of the simulated bench: how hard each pair holds hot and cold, and how much that spreads. The
 * figures are invented.
 */
#[Exclude]
final readonly class SimulatedBench
{
    public const RANGE_N = 200.0;
    private const SAMPLE_MILLISECONDS = 50;
    private const RISE_N_PER_SECOND = 12.0;

    /** @param array<string, array{hot: array{float, float}, cold: array{float, float}}> $truths mean and spread in N, by material/surface/agent */
    public function __construct(private array $truths, private Engine $engine)
    {
    }

    /** @return list<PullSample> a pull from slack to a moment after something gave way */
    public function pull(Bench $bench): array
    {
        $random = new Randomizer($this->engine);
        [$mean, $spread] = $this->truth($bench);
        $peak = max(0.4, $mean + $spread * self::normal($random));
        $samples = [];
        $time = 0;
        for ($force = 0.0; $force < $peak; $force += self::RISE_N_PER_SECOND * self::SAMPLE_MILLISECONDS / 1000 * (0.7 + 0.6 * self::uniform($random))) {
            $samples[] = new PullSample($time, min(self::RANGE_N, max(0.0, round($force + 0.1 * self::normal($random), 2))));
            $time += self::SAMPLE_MILLISECONDS;
        }
        $samples[] = new PullSample($time, min(self::RANGE_N, round($peak, 2)));
        foreach ([0.3, 0.05, 0.0, 0.0, 0.0] as $rest) {
            $time += self::SAMPLE_MILLISECONDS;
            $samples[] = new PullSample($time, round($rest * $peak, 2));
        }

        return $samples;
    }

    /** @return array{float, float} */
    private function truth(Bench $bench): array
    {
        $known = $this->truths[$bench->materialId.'/'.$bench->surfaceId.'/'.($bench->agentId ?? 'bare')] ?? null;
        // An unknown pair is a middling one.
        $known ??= ['hot' => [28.0, 4.0], 'cold' => [8.0, 2.5]];

        return 'hot' === $bench->pull ? $known['hot'] : $known['cold'];
    }

    /** A standard normal number by the method of Box and Muller (1958). */
    private static function normal(Randomizer $random): float
    {
        return sqrt(-2 * log(1 - self::uniform($random))) * cos(2 * \M_PI * self::uniform($random));
    }

    /** From 0 to just below 1. */
    private static function uniform(Randomizer $random): float
    {
        return $random->getInt(0, 2 ** 31 - 1) / 2 ** 31;
    }
}
