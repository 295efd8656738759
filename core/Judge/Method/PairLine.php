<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Method;

use Sitzplatz\Statistics\Interval;
use Sitzplatz\Words\Phrase;

/** What a method says of two setups: b less a, in the unit of the measure. */
final readonly class PairLine
{
    public function __construct(
        public string $a,
        public string $b,
        public ?float $difference = null,
        public ?Interval $interval = null,
        public ?float $df = null,
        public ?float $p = null,
        /** Why there is no figure. */
        public ?Phrase $reason = null,
    ) {
    }
}
