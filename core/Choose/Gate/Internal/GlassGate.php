<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Thin glass is not heated. */
final readonly class GlassGate implements GateOfLimits
{
    /** A bed up to this is warm to the hand rather than hot (our own choice), °C. */
    private const WARM_C = 50.0;

    public function refuses(Proposal $proposal): ?Sentence
    {
        $pane = $proposal->side->thinnestGlass();
        $at = $proposal->target?->at;

        return null === $pane || null === $at || $at <= self::WARM_C || !$proposal->side->thinGlass()
            ? null
            : Sentence::of(
                'gate.thin_glass',
                side: $proposal->side->label,
                thickness: Quantity::millimetres($pane->thicknessMm, 0.1),
                least: Quantity::millimetres(SideFacts::SOUND_GLASS_MM, 1),
            );
    }
}
