<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Words\CatalogueText;

/** One thing to look at or to do, with how much it speaks for each symptom (1 to 10) and what it takes. */
final readonly class Check
{
    /** @param array<string, int> $likelihoods by symptom */
    public function __construct(
        public string $id,
        public CatalogueText $sentence,
        public float $minutes,
        public array $likelihoods,
    ) {
    }
}
