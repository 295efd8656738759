<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Evidence\Likeness;

/** Own runs that are alike to a job, on the very side and on any other. */
final readonly class AlikeRuns
{
    public Likeness $elsewhere;
    public float $weightHere;
    public float $weightElsewhere;

    public function __construct(
        /** On the very side. */
        public Likeness $here,
        /** Made with no fewer parts than the job has. */
        public bool $wholePlate,
        public RunSums $sums,
    ) {
        $this->elsewhere = $here->onAnotherSide();
        $this->weightHere = $here->weight();
        $this->weightElsewhere = $this->elsewhere->weight();
    }
}
