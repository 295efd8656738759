<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** How a figure came about: what it is, the formula with its source, and all that went in. */
final readonly class Reckoning
{
    /** @param list<Input> $inputs */
    public function __construct(
        public string $id,
        public string $title,
        public string $result,
        public string $formula,
        public array $inputs,
        public string $source,
    ) {
    }
}
