<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Catalogue\Rung;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Words\Sentence;

/** From bare upwards, one more help at each rung, in the order in which the shop tries them; the first that passes is enough. */
final readonly class WhereTheLadderEnds implements PlanQuestion, ShapesPlan
{
    public const KEY = 'escalation';

    public function key(): string
    {
        return self::KEY;
    }

    public function words(): Sentence
    {
        return Sentence::of('question_kind.escalation');
    }

    public function answer(): Sentence
    {
        return Sentence::of('question_kind.escalation_answer');
    }

    public function asksOf(bool $filament): bool
    {
        return $filament;
    }

    public function inTurn(): bool
    {
        return true;
    }

    /** The next rung is chosen by what the last one showed. */
    public function shape(PlanShape $usual): PlanShape
    {
        return new PlanShape(Design::Adaptive, $usual->runsPerSetup, $usual->hotPerSetup, $usual->visits, $usual->pulls);
    }

    /** What helped a little stays on at the next rung, as it is done at the bench. */
    public function setups(PlanStart $start): array
    {
        $at = $start->first()->bare();
        $rungs = [$at];
        foreach ($start->ladder->rungs() as $rung) {
            $next = match ($rung) {
                Rung::GapOrHeat => $this->nearerOrWarmer($at, $start),
                Rung::Foothold => '' === $start->foothold ? null : $at->with(brim: $start->foothold),
                Rung::Agent => isset($start->gripAgentIds[0]) ? $at->withAgent($start->gripAgentIds[0]) : null,
                Rung::Bare, Rung::Surface => null,
            };
            if (null !== $next) {
                $rungs[] = $at = $next;
            }
        }

        return $rungs;
    }

    private function nearerOrWarmer(SetupDraft $at, PlanStart $start): ?SetupDraft
    {
        $gap = round(($start->gapMm ?? $start->pairing->gapMm->target ?? UsualPlan::GAP_MM) - Ladder::NEARER_MM, 2);
        // What welds is not squeezed any nearer.
        if (!$start->bonds() && $gap >= ($start->pairing->gapMm->low ?? 0.0) - 1e-9) {
            return $at->with(gapMm: $gap);
        }
        $most = null === $start->window() ? null : $start->window()->high + $start->displayAboveK;

        return null !== $at->bedFirstC && null !== $most && $at->bedFirstC + Ladder::STEP_K <= $most + 0.5 ? $at->atBed($at->bedFirstC + Ladder::STEP_K) : null;
    }
}
