<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** A print of somebody's log. */
final readonly class LogLine
{
    public function __construct(
        public string $shop,
        /** For its order in the shop. */
        public float $time,
        public Situation $holding,
        public Situation $releasing,
        /** Material, side and agent: of which a running share would be kept. */
        public string $setup,
        /** Null: nobody said. */
        public ?bool $held,
        /** Null: nobody said, or it did not hold. */
        public ?bool $released,
    ) {
    }
}
