<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Words\Sentence;

/** The answer to one question ("does it hold?"), and why. */
final readonly class Finding
{
    /** @param list<Sentence> $reasons the deciding one first */
    public function __construct(
        public Answer $answer,
        public array $reasons,
        /** The share of runs that speak for it. */
        public ShareAgainstRequired $share,
        /** The pulls, where they decide. */
        public ?ValueAgainstLimit $pulls = null,
    ) {
    }

    /** More runs of this plan cannot pass it: what it allows was used up, or its pulls scatter unevenly. */
    public function spoiled(): bool
    {
        return Answer::NotYet === $this->answer && ($this->share->spoiled || true === $this->pulls?->uneven);
    }
}
