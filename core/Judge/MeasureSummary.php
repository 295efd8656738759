<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Interval;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Measure;

/**
 * One measure of one setup. Lower bounds are never averaged as if they were exact: with any of them the mean, spread
 * and interval are null and the reason says so.
 */
final readonly class MeasureSummary
{
    private function __construct(
        public string $setup,
        /** Readings in all, lower bounds among them. */
        public int $n,
        public int $nAtLeast,
        public ?float $mean,
        public ?float $sd,
        public ?Interval $interval,
        public ?string $reason,
        /** @var list<float> */
        public array $exact,
        /** @var list<float> */
        public array $atLeast,
    ) {
    }

    public static function of(SetupRecord $record, Measure $measure): self
    {
        $exact = [];
        $atLeast = [];
        foreach ($record->readings($measure) as $reading) {
            if ($reading->atLeast) {
                $atLeast[] = $reading->value;
            } else {
                $exact[] = $reading->value;
            }
        }
        $n = \count($exact) + \count($atLeast);
        if ([] !== $atLeast) {
            return new self($record->name, $n, \count($atLeast), null, null, null, \sprintf(
                '%d of %d readings %s: an average would come out too low.',
                \count($atLeast),
                $n,
                1 === \count($atLeast) ? 'is a lower bound' : 'are lower bounds',
            ), $exact, $atLeast);
        }
        $sample = new Sample($exact);

        return new self($record->name, $n, 0, $sample->mean, $sample->sd, $sample->interval(), match ($n) {
            0 => 'No readings.',
            1 => 'One reading has no spread.',
            default => null,
        }, $exact, $atLeast);
    }

    /** The readings as a sample, or null where lower bounds or too few readings stand against it. */
    public function sample(): ?Sample
    {
        return null === $this->sd ? null : new Sample($this->exact);
    }
}
