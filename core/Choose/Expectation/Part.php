<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Evidence\Learned\Term;

/** One thing that moves a chance, with what own prints have shown of it. */
final readonly class Part
{
    public function __construct(
        /** Of the influence, or of what was learned: pair, seat, printer, lot or purpose; parts or time. */
        public string $id,
        /** Null: what was learned of something that was there. */
        public ?Influence $influence,
        public Term $term,
        /** Own prints that it had a part in, and how many of these went well; null: it is none of which prints are counted. */
        public ?int $prints = null,
        public ?int $well = null,
    ) {
    }
}
