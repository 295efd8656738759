<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Words\Sentence;

/** One resin on one plate at several exposures of the bottom layers: too short stays on the film, too long welds. */
final readonly class HowLong implements PlanQuestion
{
    private const RUNGS = 5;
    /** The rungs reach beyond both ends of the window by this part of it, or there is no end to be seen. */
    private const BEYOND = 0.15;

    public function key(): string
    {
        return 'exposure';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.exposure');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.exposure_answer');
    }

    public function asksOf(bool $filament): bool
    {
        return !$filament;
    }

    public function inTurn(): bool
    {
        return false;
    }

    /** Evenly spaced in the logarithm, as cure depth goes with ln(E) (Jacobs 1992, from memory); whole seconds. */
    public function setups(PlanStart $start): array
    {
        $window = $start->window();
        if (null === $window) {
            return [$start->first()];
        }
        $low = $window->low * (1 - self::BEYOND);
        $high = $window->high * (1 + self::BEYOND);
        $rungs = [];
        for ($i = 0; $i < self::RUNGS; ++$i) {
            $seconds = round($low * ($high / $low) ** ($i / (self::RUNGS - 1)));
            $rungs[(string) $seconds] = $start->first()->with(exposureS: $seconds);
        }

        return array_values($rungs);
    }
}
