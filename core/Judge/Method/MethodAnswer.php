<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Method;

use Sitzplatz\Words\Phrase;

/** What a method says across all setups, and of pairs of them. */
final readonly class MethodAnswer
{
    /**
     * @param list<float>    $df
     * @param list<PairLine> $pairs
     */
    public function __construct(
        public ?float $statistic = null,
        public array $df = [],
        public ?float $p = null,
        /** Why there is no figure across all setups. */
        public ?Phrase $reason = null,
        public array $pairs = [],
    ) {
    }
}
