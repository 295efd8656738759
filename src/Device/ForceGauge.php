<?php

declare(strict_types=1);

namespace App\Device;

use Sitzplatz\Test\PullSample;

/** A force gauge that is watched during one pull. */
interface ForceGauge
{
    /** The most that it can show, N. */
    public function rangeN(): float;

    /**
     * The samples of one pull, as they come; ends when the gauge says that the pull is over.
     *
     * @param Bench|null $bench what a stand-in has to play; null: a real gauge, which is not asked
     *
     * @return iterable<PullSample>
     *
     * @throws InstrumentUnreachable if it falls silent
     */
    public function pull(?Bench $bench): iterable;
}
