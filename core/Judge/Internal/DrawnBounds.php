<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Internal;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\UnitValue;
use Sitzplatz\Judge\ValueAgainstLimit;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\PullRule;

/**
 * How often the bounds of a rule are crossed by normal pulls, where the furthest of several bounds decides and no law of theirs is
 * known: drawn, always with the same numbers, so that a better setup never has a worse chance by luck.
 */
final class DrawnBounds
{
    private const SEED = 20_261_201;
    private const DRAWS = 400;
    /** The limit in spreads of the pulls, where a bound depends on it: a spread of a fifth of the limit is usual (common practice). */
    private const LIMIT = 5.0;

    /** @var array<string, self> */
    private static array $known = [];

    /** @var list<list<float>>|null */
    private ?array $paths = null;

    /** @var array<int|string, array<int, array{float, float}>> by the distance: hold and release ask the same */
    private array $chances = [];

    private function __construct(
        private readonly PullRule $rule,
        private readonly Design $design,
        private readonly int $planned,
        private readonly int $most,
        private readonly float $error,
    ) {
    }

    public static function of(PullRule $rule, Design $design, int $planned, int $most, float $error): self
    {
        return self::$known["$rule->value/$design->value/$planned/$most/$error"] ??= new self($rule, $design, $planned, $most, $error);
    }

    /**
     * The chances of yes and of no at each look, for pulls whose mean lies so many spreads beyond a lower limit.
     *
     * @return array<int, array{float, float}>
     */
    public function chances(float $distance): array
    {
        return $this->chances[(string) $distance] ??= $this->drawn($distance);
    }

    /** @return array<int, array{float, float}> */
    private function drawn(float $distance): array
    {
        $chances = [$this->most => [0.0, 0.0]];
        foreach ($this->paths() as $path) {
            $judged = ValueAgainstLimit::of(
                array_map(static fn (float $each): UnitValue => new UnitValue(max(0.0, self::LIMIT + $distance + $each)), $path),
                self::LIMIT,
                true,
                $this->rule,
                $this->design,
                $this->planned,
                $this->most,
                error: $this->error,
            );
            if (null !== $judged->decidedAt) {
                $chances[$judged->decidedAt] ??= [0.0, 0.0];
                $chances[$judged->decidedAt][Answer::Yes === $judged->clears ? 0 : 1] += 1 / self::DRAWS;
            }
        }

        return $chances;
    }

    /** @return list<list<float>> */
    private function paths(): array
    {
        if (null === $this->paths) {
            $random = new Randomizer(new Xoshiro256StarStar(self::SEED));
            $this->paths = [];
            for ($i = 0; $i < self::DRAWS; ++$i) {
                $path = [];
                for ($k = 0; $k < $this->most; ++$k) {
                    $path[] = Scatter::normal($random);
                }
                $this->paths[] = $path;
            }
        }

        return $this->paths;
    }
}
