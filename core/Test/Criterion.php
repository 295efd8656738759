<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** By what a setup is judged; chosen in the plan and named in the verdict. */
enum Criterion: string
{
    /** The share of runs that succeed reaches what is required. */
    case Counts = 'counts';
    /** The mean pull clears its limit. */
    case Mean = 'mean';
    /** Nine parts in ten clear the limit. */
    case NearlyAll = 'nearly_all';

    /** Share of parts that "nearly all" means. */
    public const NEARLY_ALL = 0.9;

    public function words(): Sentence
    {
        return Sentence::of('criterion.'.$this->value);
    }
}
