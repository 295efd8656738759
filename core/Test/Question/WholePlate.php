<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\Sentence;

/** Whether a plate full of parts holds as one part does, and where on it they fail: each further part is another chance to lose the plate. */
final readonly class WholePlate implements PlanQuestion, ShapesPlan
{
    /** Corners, edges and the middle; corners fail first (trade notes, section 10). */
    public const PARTS = 9;

    public function key(): string
    {
        return 'whole_plate';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.whole_plate');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.whole_plate_answer');
    }

    public function asksOf(bool $filament): bool
    {
        return true;
    }

    public function inTurn(): bool
    {
        return false;
    }

    public function setups(PlanStart $start): array
    {
        return [$start->first()];
    }

    public function shape(PlanShape $usual): PlanShape
    {
        return new PlanShape($usual->design, $usual->runsPerSetup, 0, $usual->visits, false, self::PARTS);
    }
}
