<?php

declare(strict_types=1);

namespace App\Demo;

use Sitzplatz\Test\Life\JobAnswer;

/** A print of the demo's year as it was drawn. */
final readonly class DemoPrint
{
    /** @param list<string> $care of the side before it: wash, coat, wipe */
    public function __construct(
        public int $recipe,
        /** Days ago. */
        public float $day,
        public int $parts,
        /** Planned. */
        public int $minutes,
        public string $lot,
        /** Of those that have lain on its side, from 0, and prints on it with this one. */
        public int $sheet,
        public int $onSheet,
        /** Prints on it before after which damage was noted, and changes to the printer since it was last seen to hold. */
        public int $damages,
        public int $changesSince,
        /** Of the last change to its printer, days ago; null: there was none. */
        public ?float $changed,
        public array $care,
        public JobAnswer $answer,
    ) {
    }
}
