<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Interval;
use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measured;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * One measure of one setup, one value a run: parts of a plate and ends of a bar are not independent. Lower bounds are never
 * averaged as if they were exact: with any of them the mean, spread and interval are null and the reason says so.
 */
final readonly class MeasureSummary
{
    private function __construct(
        public string $setup,
        public Measured $measure,
        /** Values in all, lower bounds among them. */
        public int $n,
        public int $nAtLeast,
        public ?float $mean,
        public ?float $sd,
        public ?Interval $interval,
        public ?Sentence $reason,
        /** @var list<float> */
        public array $exact,
        /** @var list<string> the visit during which each of those was read */
        public array $visits,
        /** @var list<float> */
        public array $atLeast,
    ) {
    }

    public static function of(SetupRecord $record, Measured $measure, LiftBy $liftBy = LiftBy::MeanOfEnds): self
    {
        $exact = [];
        $visits = [];
        $atLeast = [];
        foreach (Measure::Lift === $measure ? $record->lifts($liftBy) : $record->values($measure) as $value) {
            if ($value->atLeast) {
                $atLeast[] = $value->value;
            } else {
                $exact[] = $value->value;
                $visits[] = $value->visit;
            }
        }
        $n = \count($exact) + \count($atLeast);
        if ([] !== $atLeast) {
            return new self(
                $record->name,
                $measure,
                $n,
                \count($atLeast),
                null,
                null,
                null,
                Sentence::of('figure.lower_bounds', bounds: Quantity::count(\count($atLeast)), readings: Quantity::count($n)),
                $exact,
                $visits,
                $atLeast,
            );
        }
        $sample = new Sample($exact);

        return new self($record->name, $measure, $n, 0, $sample->mean, $sample->sd, $sample->interval(), match ($n) {
            0 => Sentence::of('figure.no_readings'),
            1 => Sentence::of('figure.one_reading'),
            default => null,
        }, $exact, $visits, $atLeast);
    }

    /** Why there is no sample of this setup. */
    public function whyNoSample(): Sentence
    {
        return Sentence::of('figure.of_setup', setup: $this->setup, reason: $this->reason ?? Sentence::of('figure.no_spread'));
    }

    /** The readings as a sample, or null where lower bounds or too few readings stand against it. */
    public function sample(): ?Sample
    {
        return null === $this->sd ? null : new Sample($this->exact);
    }
}
