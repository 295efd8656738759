<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Catalogue\Rung;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What to try next on the ladder of trust if a candidate does not hold, each with the chance that it has then: that it failed says something of the
 * next, too.
 */
final readonly class NextRungs
{
    /** @param list<array{rung: Rung, words: Sentence, chance: float}> $rungs */
    private function __construct(public array $rungs)
    {
    }

    /**
     * @param list<Candidate> $others all candidates of the ranking, in order
     *
     * @throws BadHeat if a figure cannot be
     * @throws BadWarp if a figure cannot be
     */
    public static function of(Candidate $candidate, array $others, Ladder $ladder): self
    {
        if (!$candidate->proposal->job->material->filament) {
            return new self([]);
        }
        $again = new Again($candidate);
        $rungs = [];
        foreach ($ladder->rungs() as $rung) {
            array_push($rungs, ...match ($rung) {
                Rung::Bare => self::bare($candidate),
                Rung::GapOrHeat => [...self::nearer($candidate, $again), ...self::warmer($candidate, $again)],
                Rung::Foothold => self::foothold($candidate, $again),
                Rung::Agent => self::agent($candidate, $others),
                Rung::Surface => self::surface($candidate, $others),
            });
        }

        return new self(array_map(static fn (array $each): array => [
            'rung' => $each[0],
            'words' => $each[1],
            'chance' => $each[2]->hold->prediction->onceFailed($candidate->hold->prediction)->share() * $each[2]->release->chance,
        ], $rungs));
    }

    /** @return list<array{Rung, Sentence, Candidate}> */
    private static function bare(Candidate $candidate): array
    {
        return null !== $candidate->treatment->agentId ? [] : [[Rung::Bare, Sentence::of('rung.bare'), $candidate]];
    }

    /**
     * @return list<array{Rung, Sentence, Candidate}>
     *
     * @throws BadHeat if a figure cannot be
     * @throws BadWarp if a figure cannot be
     */
    private static function nearer(Candidate $candidate, Again $again): array
    {
        $job = $candidate->proposal->job;
        $window = $candidate->pairing->gapMm;
        $gap = round(($job->gapMm ?? $window->target) - Ladder::NEARER_MM, 2);
        // What welds is not squeezed any nearer.
        if ($gap < $window->low || $candidate->pairing->bonds) {
            return [];
        }
        $nearer = $again->with($job->with(gapMm: $gap));

        return null === $nearer ? [] : [[Rung::GapOrHeat, Sentence::of('rung.nearer', gap: Quantity::millimetres($gap)), $nearer]];
    }

    /**
     * @return list<array{Rung, Sentence, Candidate}>
     *
     * @throws BadHeat if a figure cannot be
     * @throws BadWarp if a figure cannot be
     */
    private static function warmer(Candidate $candidate, Again $again): array
    {
        $target = $candidate->target;
        $window = $candidate->pairing->window;
        if (null === $target->displayC || null === $target->at || Axis::Celsius !== $window->axis || $target->at + Ladder::STEP_K > $window->high) {
            return [];
        }
        $warmer = $again->with($candidate->proposal->job->with(bedC: $target->displayC + Ladder::STEP_K));

        return null === $warmer ? [] : [[
            Rung::GapOrHeat,
            Sentence::of('rung.warmer', set: Quantity::celsius($target->displayC + Ladder::STEP_K)),
            $warmer,
        ]];
    }

    /**
     * @return list<array{Rung, Sentence, Candidate}>
     *
     * @throws BadHeat if a figure cannot be
     * @throws BadWarp if a figure cannot be
     */
    private static function foothold(Candidate $candidate, Again $again): array
    {
        $job = $candidate->proposal->job;
        $now = $candidate->proposal->foothold();
        if (true === $job->part?->articulated || FootholdKind::None !== $now->kind || null === $job->part) {
            return [];
        }
        $foothold = $job->part->thinEnds > 0
            ? new Foothold(FootholdKind::Ears, FootholdAdvice::EAR_RADIUS_MM)
            : new Foothold(FootholdKind::Brim, FootholdAdvice::BRIM_MM);
        $held = $again->with($job->with(foothold: $foothold));

        return null === $held ? [] : [[Rung::Foothold, Sentence::of('rung.foothold', foothold: $foothold->words()), $held]];
    }

    /**
     * @param list<Candidate> $others
     *
     * @return list<array{Rung, Sentence, Candidate}> the first on the same side with an agent that grips
     */
    private static function agent(Candidate $candidate, array $others): array
    {
        foreach ($others as $other) {
            if ($other->proposal->side->id === $candidate->proposal->side->id
                && AgentRole::Grip === $other->treatment->role
                && $other->treatment->agentId !== $candidate->treatment->agentId
            ) {
                return [[Rung::Agent, Sentence::of('rung.agent', agent: $other->proposal->agentName()), $other]];
            }
        }

        return [];
    }

    /**
     * @param list<Candidate> $others
     *
     * @return list<array{Rung, Sentence, Candidate}> the first on another kind of surface
     */
    private static function surface(Candidate $candidate, array $others): array
    {
        foreach ($others as $other) {
            if ($other->proposal->surface->id !== $candidate->proposal->surface->id) {
                return [[Rung::Surface, Sentence::of(
                    'rung.surface',
                    candidate: $other->proposal->label(),
                    surface: $other->proposal->surface->name,
                ), $other]];
            }
        }

        return [];
    }
}
