<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** A part of what moves a chance, as of a printer or of a side: many setups share it. */
final readonly class Term
{
    /** @param array<int, float> $x by place in the posterior that it is of */
    public function __construct(
        public int $number,
        public array $x,
        /** On log-odds. */
        public float $mean,
        public float $variance,
    ) {
    }
}
