<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Warp\Strength;

/** Own hot pulls, lifts and held runs of one material with one kind of surface and agent. */
final readonly class OwnStrength
{
    /** @param list<OwnPiece> $pieces */
    public function __construct(public array $pieces)
    {
    }

    /** Null with fewer than two pulls. */
    public function strength(): ?Strength
    {
        return Strength::ofPulls(array_map(static fn (OwnPiece $own): array => [
            'pulls' => $own->pulls,
            'meanMpa' => $own->meanPullN * $own->stressPerN(),
            'sdMpa' => $own->sdPullN * $own->stressPerN(),
        ], $this->pieces));
    }
}
