<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** The ladder of trust. Both orders are in use (trade notes, sections 7 and 15); the shop says which is its own. */
enum Ladder: string
{
    /** One step of heat (common practice: two failed attempts with one step of 5 °C, then give up). */
    public const STEP_K = 5.0;
    /** One step of the gap: from folded note paper to what is hardly felt (common practice; the size is from memory). */
    public const NEARER_MM = 0.03;

    case HeatFirst = 'heat_first';
    case FootholdFirst = 'foothold_first';

    /** @return list<Rung> from the bottom */
    public function rungs(): array
    {
        return match ($this) {
            self::HeatFirst => [Rung::Bare, Rung::GapOrHeat, Rung::Foothold, Rung::Agent, Rung::Surface],
            self::FootholdFirst => [Rung::Bare, Rung::Foothold, Rung::GapOrHeat, Rung::Agent, Rung::Surface],
        };
    }
}
