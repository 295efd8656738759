<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A run as its place among the looks is told by. */
final readonly class BegunRun
{
    public function __construct(
        public string $id,
        /** Unix seconds; null: it is planned. */
        public ?float $beganAt,
        /** In its plan; of runs that were begun at once the first is looked at first. */
        public int $position,
        public string $visit,
        /** Finished, or void. */
        public bool $over,
        public bool $void,
    ) {
    }
}
