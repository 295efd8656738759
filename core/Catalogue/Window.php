<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** The span on the bed scale, °C, in which a setup holds and still lets go; the target is where to start. */
final readonly class Window
{
    /** @throws BadCatalogue if low, target and high are not in this order */
    public function __construct(public float $lowC, public float $targetC, public float $highC)
    {
        if ($lowC > $targetC || $targetC > $highC) {
            throw BadCatalogue::window($lowC, $targetC, $highC);
        }
    }

    public function holds(float $bedC): bool
    {
        return $bedC >= $this->lowC && $bedC <= $this->highC;
    }
}
