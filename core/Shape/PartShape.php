<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Words\Sentence;

/** What was read from a file about a part and how it stands on the plate. */
final readonly class PartShape
{
    /** @param list<Sentence> $remarks */
    public function __construct(
        public FormatName $format,
        /** Null for G-code. */
        public ?int $facets,
        public float $widthMm,
        public float $depthMm,
        public float $heightMm,
        /** Of the body; for G-code of the plastic. */
        public float $volumeMm3,
        public ContactPatch $patch,
        public ?FirstLayer $firstLayer,
        public array $remarks,
        /** That stand on the plate as parts of their own. */
        public int $objects = 1,
    ) {
    }

    /** Height ÷ width of the strip that the contact patch fits between. */
    public function slenderness(): float
    {
        $width = $this->patch->bar()->widthMm;

        return $width > 0 ? $this->heightMm / $width : 0.0;
    }
}
