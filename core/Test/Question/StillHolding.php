<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\Sentence;

/** Whether a setup that was proven still is: what a profile in question needs. */
final readonly class StillHolding implements PlanQuestion
{
    public function key(): string
    {
        return 'still_holding';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.still_holding');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.still_holding_answer');
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
}
