<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Words\Sentence;

/** One setup at several gaps of the first layer; what welds is tried no nearer than practice has it. */
final readonly class HowNear implements PlanQuestion
{
    private const RUNGS = 4;

    public function key(): string
    {
        return 'gap';
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.gap');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.gap_answer');
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
        // Where practice has no window: two steps to either side of what is usual, but for the nearest.
        $target = $start->pairing->gapMm->target ?? UsualPlan::GAP_MM;
        $high = $start->pairing->gapMm->high ?? $target + 2 * Ladder::NEARER_MM;
        $low = $start->pairing->gapMm->low ?? $target - Ladder::NEARER_MM;
        $step = ($high - $low) / (self::RUNGS - 1);
        $rungs = [];
        for ($i = 0; $i < self::RUNGS; ++$i) {
            $gap = round($high - $i * $step, 2);
            // A pair that bonds is not squeezed any nearer than practice has it.
            if ($start->bonds() && $gap < $target - 1e-9) {
                break;
            }
            $rungs[] = $start->first()->with(gapMm: $gap);
        }

        return $rungs;
    }
}
