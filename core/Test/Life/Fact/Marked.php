<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Words\Sentence;

/** A place on the plate was marked. */
final readonly class Marked implements RunFact
{
    private function __construct(
        public MarkKind $kind,
        /** Share of the width of the plate, from the left. */
        public float $x,
        /** Share of its depth, from the front. */
        public float $y,
        /** Of a part, from 1; null: anywhere. */
        public ?int $place,
    ) {
    }

    /**
     * @param int          $parts   on the plate
     * @param Outcome|null $outcome null: not said yet
     *
     * @throws Refusal if there is no such place, or a part is said to have failed where all held
     */
    public static function on(MarkKind $kind, float $x, float $y, ?int $place, int $parts, ?Outcome $outcome): self
    {
        if ($x < 0 || $x > 1 || $y < 0 || $y > 1 || (null !== $place && ($place < 1 || $place > $parts))) {
            throw Refusal::entry('place', Sentence::of('run.mark_off_the_plate'));
        }
        if (MarkKind::Failed === $kind && true === $outcome?->held()) {
            throw Refusal::entry('kind', Sentence::of('run.mark_all_held'));
        }

        return new self($kind, $x, $y, $place);
    }
}
