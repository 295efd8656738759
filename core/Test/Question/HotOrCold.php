<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\Sentence;

/** One setup, taken off while the bed is at print temperature and after cooling: which comes off more easily, and which does no harm. */
final readonly class HotOrCold implements PlanQuestion, ShapesPlan
{
    public function key(): string
    {
        return 'hot_or_cold';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.hot_or_cold');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.hot_or_cold_answer');
    }

    public function asksOf(bool $filament): bool
    {
        return $filament;
    }

    public function inTurn(): bool
    {
        return false;
    }

    public function setups(PlanStart $start): array
    {
        return [$start->first()->with(takenHot: true), $start->first()];
    }

    public function shape(PlanShape $usual): PlanShape
    {
        // Each part is taken off once and says how; nothing is pulled to see whether it holds.
        return new PlanShape($usual->design, $usual->runsPerSetup, 0, $usual->visits, $usual->pulls);
    }
}
