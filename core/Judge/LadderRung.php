<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

/** A setup of a ladder, with where it stands on it. */
final readonly class LadderRung
{
    public function __construct(
        public string $name,
        /** °C on the display, s, or mm. */
        public float $at,
        /** Larger where practice says that it grips more. */
        public float $grip,
        public SetupJudgement $judgement,
    ) {
    }
}
