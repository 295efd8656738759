<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** The span in which a setup holds and still lets go, °C at the surface or seconds of exposure; the target is where to start. */
final readonly class Window
{
    /** @throws BadCatalogue if low, target and high are not in this order */
    public function __construct(public float $low, public float $target, public float $high, public Axis $axis = Axis::Celsius)
    {
        if ($low > $target || $target > $high) {
            throw BadCatalogue::window($low, $target, $high);
        }
    }

    public function same(self $other): bool
    {
        return $this->axis === $other->axis && max(abs($this->low - $other->low), abs($this->target - $other->target), abs($this->high - $other->high)) < 1e-9;
    }

    public function holds(float $at): bool
    {
        return $at >= $this->low && $at <= $this->high;
    }
}
