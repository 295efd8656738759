<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** One print for use as a table has it; names are as somebody wrote them. */
final readonly class JobsCsvLine
{
    public function __construct(
        /** In the table, from 1. */
        public int $number,
        /** ISO 8601. */
        public string $began,
        public string $printer,
        /** Plate number and side. */
        public string $plate,
        /** "": bare. */
        public string $agent,
        /** "": not known. */
        public string $lot,
        /** "": that of the lot. */
        public string $material,
        /** Null: unheated, or not known. */
        public ?float $bedC,
        /** Null: nobody measured it. */
        public ?float $roomC,
        public string $title,
        public int $parts,
        /** As measured; null: nobody did. */
        public ?float $minutes,
        /** Null: nobody has said yet. */
        public ?Outcome $ended,
        public ?Effort $effort,
        public bool $damaged,
        public string $note,
    ) {
    }
}
