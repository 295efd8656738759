<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;

/** How a print for use came out. */
final readonly class JobAnswer
{
    public function __construct(
        public Outcome $outcome,
        /** Null: it did not get as far as that. */
        public ?Effort $effort,
        /** Whether the plate was. */
        public bool $damaged,
        /** How long it printed; null: nobody measured it. */
        public ?float $minutes,
    ) {
    }

    /** Held to the end, and came off without scraper and without harm to the plate. */
    public function cameTrue(): bool
    {
        return RunOutcome::Passed === RunOutcomes::held($this->outcome->held()) && $this->letGo();
    }

    /** Came off without scraper and without harm to the plate. */
    public function letGo(): bool
    {
        return RunOutcome::Passed === RunOutcomes::cameOff($this->effort, $this->damaged);
    }
}
