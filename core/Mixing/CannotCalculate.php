<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Sentence;

/** Figures that do not go together. */
final class CannotCalculate extends Fault
{
    public static function heavierThanBefore(): self
    {
        return new self(Sentence::of('calculator.thin_back.heavier'));
    }

    public static function weakerThanWanted(): self
    {
        return new self(Sentence::of('calculator.dilution.too_weak'));
    }
}
