<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** One thing that can rule a proposal out. */
interface Gate
{
    /** The reason in a sentence, or null if the proposal may pass. */
    public function refuses(Proposal $proposal): ?string;
}
