<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

/** What one field of a plate has seen since its sheet was laid. */
final readonly class SpotUse
{
    public function __construct(
        /** Its middle, as shares of width and depth, from the front left. */
        public float $x,
        public float $y,
        public int $prints,
        /** Of them, on the coat that is on now. */
        public int $onCoat,
        public bool $damaged,
        /** The coat came off there with a part, and was not renewed since. */
        public bool $torn,
    ) {
    }
}
