<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Window glass of 3 mm stood a hot bed, 2 mm breaks (common practice). */
final readonly class GlassGate implements Gate
{
    private const HEATED_FROM_MM = 3.0;
    /** A bed up to this is warm to the hand rather than hot (our own choice), °C. */
    private const WARM_C = 50.0;

    public function refuses(Proposal $proposal): ?Sentence
    {
        $pane = $proposal->side->thinnestGlass();
        $at = $proposal->target?->at;

        return null === $pane || null === $at || $at <= self::WARM_C || $pane->thicknessMm >= self::HEATED_FROM_MM - 1e-9
            ? null
            : Sentence::of(
                'gate.thin_glass',
                side: $proposal->side->label,
                thickness: Quantity::millimetres($pane->thicknessMm, 0.1),
                least: Quantity::millimetres(self::HEATED_FROM_MM, 1),
            );
    }
}
