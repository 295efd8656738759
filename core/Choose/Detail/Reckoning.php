<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Words\Sentence;

/** How a figure came about: what it is, the formula with its source, and all that went in. */
final readonly class Reckoning
{
    /** @param list<Input> $inputs */
    public function __construct(
        public string $id,
        public Sentence $title,
        public Sentence $result,
        public Sentence $formula,
        public array $inputs,
        public Sentence $source,
    ) {
    }
}
