<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

/** A job spread over so many plates. */
final readonly class Batch
{
    public function __construct(
        public int $plates,
        /** On the fullest of them. */
        public int $mostParts,
        /** That all of them come out whole. */
        public float $allGood,
        /** Good parts to be expected where a plate that fails takes all its parts along. */
        public float $goodParts,
        /** Printing, warming and cooling of all of them; null: not known. */
        public ?float $minutes,
    ) {
    }
}
