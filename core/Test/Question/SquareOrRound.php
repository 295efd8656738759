<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Test\BarEnds;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Words\Sentence;

/** One setup under bars with square and with round ends: square ends lift more (expected in practice, not measured; trade notes, section 8). */
final readonly class SquareOrRound implements PlanQuestion, MeasuresLift
{
    public function key(): string
    {
        return 'ends';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.ends');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.ends_answer');
    }

    public function asksOf(bool $filament): bool
    {
        return $filament;
    }

    public function inTurn(): bool
    {
        return false;
    }

    public function piece(): TestPiece
    {
        return new TestPiece('', 80, 10, 8);
    }

    public function pieceKey(): string
    {
        return 'bar_pair';
    }

    public function setups(PlanStart $start): array
    {
        return array_map(static fn (BarEnds $ends): SetupDraft => $start->first()->with(ends: $ends), BarEnds::cases());
    }
}
