<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Shown;

/**
 * Something that is read off a part. All that an interface, a table, a judgement or an export has to know of it stands in
 * one class: whoever adds a measure writes that class and registers it, and nothing else. Rules that rest on a measure name
 * one of {@see Measure}; every other is noted, summed up and handed on as it is.
 */
interface Measured
{
    /** Up to 20 lower case letters, digits and _: the same in the database, in tables and in the contract. */
    public function key(): string;

    public function words(): Phrase;

    public function scale(): MeasureScale;

    /** @return list<string> units that may be entered, the stored one first; '' for none */
    public function units(): array;

    /** How finely a continuous one is shown. */
    public function shown(): Shown;

    /** @return list<Phrase> the levels of an ordinal one, from 0 */
    public function levels(): array;

    /** Whether a reading of it can be a lower bound. */
    public function canBeAtLeast(): bool;

    /** On how many places of a part it can be read. */
    public function places(): int;

    /** The step of the run sheet at which it is noted; null: not by hand. */
    public function step(): ?RunStep;

    /**
     * The stored value of what was entered.
     *
     * @throws BadReading if the unit does not belong to the measure, or the value cannot be
     */
    public function stored(float $value, string $unit): float;
}
