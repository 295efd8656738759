<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Evidence\Likeness;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What to expect of one question: what practice says, what own runs say, and both together. */
final readonly class Expectation
{
    /** @param list<Evidence> $evidence */
    private function __construct(public Grade $grade, public array $evidence, public Beta $belief)
    {
    }

    /** @param list<Evidence> $evidence the nearest first */
    public static function of(Grade $grade, array $evidence): self
    {
        $belief = $grade->prior();
        foreach ($evidence as $each) {
            $belief = $belief->after($each->successes, $each->runs, $each->likeness->weight());
        }

        return new self($grade, $evidence, $belief);
    }

    /** Runs on the very side with the very lot. */
    public function own(): Evidence
    {
        $first = $this->evidence[0] ?? null;

        return Likeness::SameSideAndLot === $first?->likeness ? $first : new Evidence(Likeness::SameSideAndLot, 0, 0);
    }

    /** The central 90 % of the belief. */
    public function interval(): Interval
    {
        return new Interval($this->belief->quantile(0.05), $this->belief->quantile(0.95));
    }

    /** @param string $question hold or release */
    public function sentence(string $question): Sentence
    {
        $practice = Quantity::share($this->grade->prior()->mean());
        if ([] === $this->evidence) {
            return Sentence::of("expect.$question.practice_only", practice: $practice);
        }
        $own = [];
        foreach ($this->evidence as $each) {
            $weight = $each->likeness->weight();
            $own[] = Sentence::of(
                $weight < 1 ? "expect.$question.counted_at" : "expect.$question.own",
                successes: Quantity::count($each->successes),
                runs: Quantity::count($each->runs),
                likeness: $each->likeness->words(),
                weight: Quantity::number($weight),
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
