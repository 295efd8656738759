<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** A setup of an adaptive plan, with what its next run would cost. */
final readonly class OpenSetup
{
    public function __construct(
        public string $name,
        public SetupRecord $record,
        public SetupJudgement $judgement,
        public string $plateId,
        /** Runs that are planned or begun and not done. */
        public int $runsOpen = 0,
        /** Where it stands on its ladder, larger where practice says it grips more; null: no ladder, or nobody knows. */
        public ?float $grip = null,
    ) {
    }
}
