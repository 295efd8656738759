<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

use Sitzplatz\Test\MarkKind;

/** Something was marked on the map of the plate; places are shares of its width and depth. */
final readonly class Marked implements RunFact
{
    public function __construct(public MarkKind $kind, public float $x, public float $y, public ?int $place)
    {
    }
}
