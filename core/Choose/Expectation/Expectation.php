<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What to expect of one question: what practice says, what moves it here, what own runs say, and all together. */
final readonly class Expectation
{
    /** Neither practice nor a sum is ever surer than this. */
    private const SUREST = 0.995;
    /** A range that ends at 100 % would be read as a promise. */
    private const SUREST_SAID = 0.99;

    /** @param list<Evidence> $evidence */
    private function __construct(
        public Grade $grade,
        /** The grade as moved by what this job, printer and plate are like; worth as many runs. */
        public Beta $prior,
        public array $evidence,
        /** For one part. */
        public Beta $belief,
        /** That all parts of the plate succeed. */
        public Beta $plate,
    ) {
    }

    /**
     * @param float          $shift     on log-odds
     * @param list<Evidence> $evidence  the nearest first
     * @param float          $worthRuns what the grade counts for, in runs
     */
    public static function of(Grade $grade, float $shift, array $evidence, int $parts = 1, float $worthRuns = Basis::PRACTICE_RUNS): self
    {
        $prior = $grade->prior($worthRuns);
        if (abs($shift) > 1e-12) {
            $mean = min(self::SUREST, max(1 - self::SUREST, 1 / (1 + exp(-($grade->logOdds() + $shift)))));
            $prior = new Beta($worthRuns * $mean, $worthRuns * (1 - $mean));
        }
        $ofParts = $ofPlates = [0.0, 0.0];
        foreach ($evidence as $each) {
            if ($each->wholePlate) {
                $ofPlates = [$ofPlates[0] + $each->worthOfSuccesses, $ofPlates[1] + $each->worthOfFailures];
            } else {
                $ofParts = [$ofParts[0] + $each->worthOfSuccesses, $ofParts[1] + $each->worthOfFailures];
            }
        }
        $belief = [] === $evidence ? $prior : $prior->with($ofParts[0] + $ofPlates[0], $ofParts[1] + $ofPlates[1]);
        if ($parts < 2) {
            return new self($grade, $prior, $evidence, $belief, $belief);
        }
        $part = $prior->with(...$ofParts);
        $plate = Beta::ofMoments($part->allOf($parts), $part->allOf(2 * $parts))->with(...$ofPlates);

        return new self($grade, $prior, $evidence, $belief, $plate);
    }

    /**
     * Runs on the very side with the very lot, at the same setting.
     *
     * @return array{successes: int, runs: int}
     */
    public function own(): array
    {
        $own = ['successes' => 0, 'runs' => 0];
        foreach ($this->evidence as $each) {
            if ($each->likeness->same()) {
                $own['successes'] += $each->successes;
                $own['runs'] += $each->runs;
            }
        }

        return $own;
    }

    /** Whether own runs with as many parts speak for the plate. */
    public function ofWholePlates(): bool
    {
        return [] !== array_filter($this->evidence, static fn (Evidence $each): bool => $each->wholePlate);
    }

    /** What all own runs count for, in runs. */
    public function ownWorth(): float
    {
        $worth = 0.0;
        foreach ($this->evidence as $each) {
            $worth += $each->worth();
        }

        return $worth;
    }

    /** The central 90 % of the belief. */
    public function interval(): Interval
    {
        return new Interval($this->belief->quantile(0.05), $this->belief->quantile(0.95));
    }

    /** The central 90 % of what is believed of all parts of the plate; it is never said to be sure. */
    public function plateInterval(): Interval
    {
        return new Interval(min(self::SUREST_SAID, $this->plate->quantile(0.05)), min(self::SUREST_SAID, $this->plate->quantile(0.95)));
    }

    /** @param string $question hold or release */
    public function sentence(string $question): Sentence
    {
        $moved = abs($this->prior->mean() - $this->grade->prior()->mean()) >= 0.005;
        $practice = $moved ? Sentence::of(
            'expect.moved',
            practice: Quantity::share($this->grade->prior()->mean()),
            here: Quantity::share($this->prior->mean()),
        ) : Quantity::share($this->prior->mean());
        if ([] === $this->evidence) {
            return Sentence::of("expect.$question.practice_only", practice: $practice);
        }
        $own = [];
        foreach ($this->evidence as $each) {
            $own[] = Sentence::of(
                $each->worth() < $each->runs - 0.005 ? "expect.$question.counted_at" : "expect.$question.own",
                successes: Quantity::count($each->successes),
                runs: Quantity::count($each->runs),
                likeness: $each->words(),
                worth: Quantity::number($each->worth(), 0.1),
            );
        }

        return Sentence::of(
            "expect.$question.together",
            practice: $practice,
            own: Listing::of($own, Joined::Comma),
            together: Quantity::share($this->belief->mean()),
        );
    }
}
