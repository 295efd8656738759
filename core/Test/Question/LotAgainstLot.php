<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\Sentence;

/** One setup with several lots of its material. */
final readonly class LotAgainstLot implements PlanQuestion
{
    private const MOST = 4;

    public function key(): string
    {
        return 'lots';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.lots');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.lots_answer');
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
        $base = $start->first()->ofLot(null);

        return [$base, ...array_map($base->ofLot(...), \array_slice($start->otherLotIds, 0, self::MOST - 1))];
    }
}
