<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** What is asked of the pulls of one kind; which of them a plan asks is frozen with its numbers of runs. */
enum PullRule: string
{
    /** The required share of all pulls clears the limit; exact, without a law. */
    case Share = 'share';
    /** The middle pull clears the limit: more than half of all do (exact sign test; Arbuthnott 1710, Dixon & Mood 1946). */
    case Middle = 'middle';
    case MiddleOfLogs = 'middle_of_logs';
    case Mean = 'mean';
    case NearlyAll = 'nearly_all';

    /** The share of half, of which the sign test asks. */
    public const HALF = 0.5;
    /** Two readings have next to no spread to go by. */
    private const FIRST_BOUND = 3;

    /** Whether each pull counts by the side of the limit on which it lies, and by nothing else. */
    public function counts(): bool
    {
        return self::Share === $this || self::Middle === $this;
    }

    /** The share of pulls that have to clear the limit for certain where it counts, or where lower bounds stand among them. */
    public function share(float $required): float
    {
        return match ($this) {
            self::Share => $required,
            self::NearlyAll => Criterion::NEARLY_ALL,
            self::Middle, self::MiddleOfLogs, self::Mean => self::HALF,
        };
    }

    /** The fewest pulls of which it can say anything: five on one side of the limit, or three of which a bound can be given. */
    public function fewest(float $required, float $error): int
    {
        return $this->counts()
            ? (int) ceil(log($error) / log($this->share($required)) - 1e-9)
            : self::FIRST_BOUND;
    }

    public function words(): Sentence
    {
        return Sentence::of('pull_rule.'.$this->value);
    }
}
