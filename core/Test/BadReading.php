<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

/** A reading that cannot be taken as it stands. */
final class BadReading extends Fault
{
    public static function unit(Measured $measure, string $unit): self
    {
        $units = array_map(static fn (string $u): Sentence|string => '' === $u ? Sentence::of('reading.no_unit') : $u, $measure->units());

        return new self(Sentence::of('reading.unit', measure: $measure->words(), units: Listing::of($units, Joined::Or), unit: $unit));
    }

    /** @param Sentence $wanted what it has to be */
    public static function value(Measured $measure, Sentence $wanted): self
    {
        return new self(Sentence::of('reading.value', measure: $measure->words(), wanted: $wanted));
    }

    public static function notAtLeast(Measured $measure): self
    {
        return new self(Sentence::of('reading.not_at_least', measure: $measure->words()));
    }
}
