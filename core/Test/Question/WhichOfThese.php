<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\Sentence;

/** Setups as they were picked, side by side. */
final readonly class WhichOfThese implements PlanQuestion
{
    public const KEY = 'grid';

    public function key(): string
    {
        return self::KEY;
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.grid');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.grid_answer');
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
        return $start->given;
    }
}
