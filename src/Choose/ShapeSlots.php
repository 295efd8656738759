<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Http\Places;
use App\Platform\Http\Problem;

/** So many parts are read at a time on this machine: the other workers stay free for the people at the bench. */
final readonly class ShapeSlots
{
    public const SLOTS = 2;

    public function __construct(private Places $places)
    {
    }

    /**
     * @return resource the slot; it is free again when this is closed, also by the end of the process
     *
     * @throws Problem if none is free
     */
    public function take()
    {
        return $this->places->take('shape-slot', self::SLOTS) ?? throw Problem::crowded('Other parts are being read right now. Try again in a moment.');
    }
}
