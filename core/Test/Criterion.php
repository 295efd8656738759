<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** By what a setup is judged; chosen in the plan and named in the verdict. */
enum Criterion: string
{
    /** The share of runs that succeed reaches what is required. */
    case Counts = 'counts';
    /** Each pull against its limit, whatever law pulls follow: the share that clears it, or with fewer pulls the middle one. */
    case WithoutLaw = 'without_law';
    /** The middle pull clears its limit; pulls are taken to be log-normal. */
    case MiddleOfLogs = 'middle_of_logs';
    /** The mean pull clears its limit. */
    case Mean = 'mean';
    /** Nine parts in ten clear the limit; pulls are taken to be normal or Weibull. */
    case NearlyAll = 'nearly_all';

    /** Share of parts that "nearly all" means. */
    public const NEARLY_ALL = 0.9;

    /** Whether all pulls of a visit are one: what a visit changes is in the mean of its pulls, and does not average out over them. */
    public function byVisit(): bool
    {
        return self::Mean === $this;
    }

    public function words(): Sentence
    {
        return Sentence::of('criterion.'.$this->value);
    }
}
