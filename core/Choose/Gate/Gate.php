<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\Sentence;

/** One thing that can rule a proposal out. */
interface Gate
{
    /** The reason, or null if the proposal may pass. */
    public function refuses(Proposal $proposal): ?Sentence;
}
