<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Words\Sentence;

/** Something to be done to a side before printing, as part of a proposal. */
final readonly class Step
{
    public function __construct(
        public string $id,
        public Sentence $words,
        /** What leaving it out does to the hold, on log-odds; nought: it is not left out, or it is done already. */
        public float $without,
    ) {
    }
}
