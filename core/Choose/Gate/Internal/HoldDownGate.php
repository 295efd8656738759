<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate\Internal;

use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What holds the plate has to be on the printer; a plate that stays on its printer is nowhere else. */
final readonly class HoldDownGate implements GateOfLimits
{
    public function refuses(Proposal $proposal): ?Sentence
    {
        $printer = $proposal->job->printer;
        $side = $proposal->side;
        if ($side->heldBy->staysOn() && null !== $side->printerId && $side->printerId !== $printer->id) {
            return Sentence::of('gate.stays_elsewhere', side: $side->label);
        }
        if ([] !== $printer->holds && !\in_array($side->heldBy, $printer->holds, true)) {
            return Sentence::of(
                'gate.hold_down',
                side: $side->label,
                wants: $side->heldBy->words(),
                printer: $printer->name,
                has: Listing::of(array_map(static fn (HoldDown $each): Sentence => $each->words(), $printer->holds), Joined::Or),
            );
        }
        $thickness = $side->thicknessMm();

        return HoldDown::Clips !== $side->heldBy || null === $printer->clipsOpenMm || null === $thickness || $thickness <= $printer->clipsOpenMm + 1e-9
            ? null
            : Sentence::of(
                'gate.clips',
                side: $side->label,
                thickness: Quantity::millimetres($thickness, 0.1),
                printer: $printer->name,
                opens: Quantity::millimetres($printer->clipsOpenMm, 0.1),
            );
    }
}
