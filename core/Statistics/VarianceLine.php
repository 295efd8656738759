<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** One line of an analysis of variance: what a term explains beyond the others. */
final readonly class VarianceLine
{
    public function __construct(
        /** @var list<int> the factors of the term by their place; more than one: their interaction; none: the blocks */
        public array $factors,
        public float $squares,
        public int $df,
        public float $statistic,
        public float $p,
    ) {
    }
}
