<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Words\Sentence;

/** One setup at several bed temperatures, over the window and a step beyond it on the cold side, where it stops holding. */
final readonly class FromWhichTemperature implements PlanQuestion
{
    private const MOST = 6;

    public function key(): string
    {
        return 'temperature';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.temperature');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.temperature_answer');
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
        $base = $start->first();
        $window = $start->window();
        $from = $base->bedFirstC ?? (null === $window ? null : $window->target + $start->displayAboveK);
        if (null === $from) {
            return [$base];
        }
        // Where practice has no window: a step to either side.
        $low = null === $window ? $from : $window->low + $start->displayAboveK;
        $high = null === $window ? $from + Ladder::STEP_K : $window->high + $start->displayAboveK;
        $step = Ladder::STEP_K * max(1.0, ceil(($high - $low) / Ladder::STEP_K / (self::MOST - 1)));
        $rungs = [];
        // From the set-point down past the cold end and up, so that what is used today is a rung.
        for ($bedC = round($from - $step * (floor(($from - $low) / $step) + 1)); $bedC <= $high + 0.5 && \count($rungs) < self::MOST; $bedC += $step) {
            if ($bedC > $start->roomC) {
                $rungs[] = $base->atBed($bedC);
            }
        }

        return [] === $rungs ? [$base] : $rungs;
    }
}
