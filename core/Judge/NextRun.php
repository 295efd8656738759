<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Binomial;
use Sitzplatz\Statistics\RankSum;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Which run an adaptive plan makes next: the one whose setup is likeliest to be settled for the time it still takes, the
 * change of the plate counted in. Setups leave that are settled, that the plan cannot pass any more, that can no longer
 * win, and rungs of a ladder that failed twice (common practice, trade notes section 7: two failed attempts, give up) or that another
 * rung has decided, with what leaving risks. The bounds of a verdict stay valid however the runs are allotted: each setup pays for its own looks.
 */
final readonly class NextRun
{
    /** Two failures end a rung. */
    private const FAILURES_END_RUNG = 2;
    private const APART_P = 0.05;
    /** Before two readings nobody can say how likely it is. */
    private const UNKNOWN_CHANCE = 0.5;

    private function __construct(
        /** Null: none is left to make. */
        public ?string $setup,
        public ?PullKind $pull,
        public ?float $chance,
        public ?Sentence $reason,
        /** @var array<string, Sentence> why a setup gets no further run, by its name */
        public array $left,
    ) {
    }

    /**
     * @param list<OpenSetup> $setups
     * @param string|null     $onPlate the plate that is on the printer
     */
    public static function among(array $setups, ProofPlan $plan, RunDurations $durations, Rungs $rungs, ?string $onPlate): self
    {
        $left = [];
        $best = null;
        $open = false;
        $winner = self::winner($setups);
        foreach ($setups as $setup) {
            $why = self::leaves($setup, $plan, $rungs, $winner) ?? self::ladder($setup, $setups, $rungs);
            if (null !== $why) {
                $left[$setup->name] = $why;
                continue;
            }
            // Of rungs that are tried in turn only the lowest that is open.
            $first = Rungs::InTurn !== $rungs || !$open;
            $open = true;
            if ($setup->runsOpen > 0 || !$first) {
                continue;
            }
            $outlook = Outlook::inPlan($setup->record, $plan, $setup->judgement);
            $pull = self::pull($setup, $plan);
            $runs = max(1.0, $outlook->expectedRuns ?? (float) ($setup->judgement->runsLeft ?? 1));
            $change = $setup->plateId === $onPlate ? 0.0 : $durations->plateChangeMinutes;
            $minutes = $runs * $durations->runMinutes($pull) + $change;
            $worth = ($outlook->chance ?? self::UNKNOWN_CHANCE) / $minutes;
            if (null === $best || $worth > $best['worth']) {
                $best = [
                    'worth' => $worth,
                    'setup' => $setup->name,
                    'pull' => $pull,
                    'chance' => $outlook?->chance,
                    'minutes' => $minutes,
                    'change' => $change,
                ];
            }
        }
        if (null === $best) {
            return new self(null, null, null, null, $left);
        }

        return new self($best['setup'], $best['pull'], $best['chance'], Sentence::of(
            null === $best['chance'] ? 'next_run.unknown' : ($best['change'] > 0 ? 'next_run.change' : 'next_run.stays'),
            setup: $best['setup'],
            chance: Quantity::share($best['chance'] ?? 0.0, 0.05),
            minutes: Quantity::minutes($best['minutes']),
        ), $left);
    }

    private static function leaves(OpenSetup $setup, ProofPlan $plan, Rungs $rungs, ?OpenSetup $winner): ?Sentence
    {
        if (Verdict::NotYetKnown !== $setup->judgement->verdict) {
            return Sentence::of('next_run.settled', verdict: $setup->judgement->verdict->words());
        }
        $share = $setup->judgement->hold->share;
        if (Rungs::None !== $rungs && $share->failures >= self::FAILURES_END_RUNG) {
            return Sentence::of(
                'next_run.rung',
                failures: Quantity::count($share->failures),
                runs: Quantity::count($share->runs),
                share: Quantity::share($plan->share),
                // What a setup of just the required share would lose so early.
                error: Quantity::share(1 - (new Binomial($share->runs, 1 - $plan->share))->cdf(self::FAILURES_END_RUNG - 1)),
            );
        }
        if (null === $setup->judgement->runsLeft) {
            return $setup->judgement->words();
        }
        $own = self::efforts($setup);
        if (null !== $winner && [] !== $own && [] !== self::efforts($winner)) {
            $ranks = RankSum::of(self::efforts($winner), $own);
            if ($ranks->higher > 0.5 && $ranks->p < self::APART_P) {
                return Sentence::of('next_run.cannot_win', winner: $winner->name, p: Quantity::number($ranks->p, 0.001));
            }
        }

        return null;
    }

    /**
     * What other rungs have decided for this one (common practice: results form a ladder, what is decided already is skipped).
     *
     * @param list<OpenSetup> $setups
     */
    private static function ladder(OpenSetup $setup, array $setups, Rungs $rungs): ?Sentence
    {
        if (Rungs::None !== $rungs && Answer::No === $setup->judgement->release->answer) {
            return Sentence::of('next_run.will_not_let_go');
        }
        $later = false;
        foreach ($setups as $other) {
            if ($other === $setup) {
                $later = true;
                continue;
            }
            if (Rungs::InTurn === $rungs && !$later && Verdict::HoldsAndLetsGo === $other->judgement->verdict) {
                return Sentence::of('next_run.enough', rung: $other->name);
            }
            if (null === $setup->grip || null === $other->grip) {
                continue;
            }
            $hold = $other->judgement->hold;
            if ($other->grip > $setup->grip && Answer::Yes !== $hold->answer && $hold->share->failures >= self::FAILURES_END_RUNG) {
                return Sentence::of('next_run.weaker', rung: $other->name);
            }
            if ($other->grip < $setup->grip && Answer::No === $other->judgement->release->answer) {
                return Sentence::of('next_run.stronger', rung: $other->name);
            }
        }

        return null;
    }

    /** @param list<OpenSetup> $setups */
    private static function winner(array $setups): ?OpenSetup
    {
        $passed = array_values(array_filter($setups, static fn (OpenSetup $each): bool => Verdict::HoldsAndLetsGo === $each->judgement->verdict));
        usort($passed, static fn (OpenSetup $a, OpenSetup $b): int => array_sum(self::efforts($a)) / max(1, \count(self::efforts($a)))
            <=> array_sum(self::efforts($b)) / max(1, \count(self::efforts($b))));

        return $passed[0] ?? null;
    }

    /** @return list<int> */
    private static function efforts(OpenSetup $setup): array
    {
        return array_map(static fn ($reading): int => (int) $reading->value, $setup->record->readings(Measure::Effort));
    }

    /** The question that is open, and of two the one that has got less of its runs. */
    private static function pull(OpenSetup $setup, ProofPlan $plan): PullKind
    {
        if (!$plan->limits->pullsDecide() || 0 === $plan->hotRuns) {
            return PullKind::Cold;
        }
        $hot = \count($setup->record->values(Measure::PullHot)) / $plan->hotRuns;
        $cold = 0 === $plan->coldRuns ? \INF : \count($setup->record->values(Measure::PullCold)) / $plan->coldRuns;
        $holds = Answer::NotYet !== $setup->judgement->hold->answer;
        $letsGo = Answer::NotYet !== $setup->judgement->release->answer;
        if (Criterion::Counts === $plan->criterion || $holds === $letsGo) {
            return $hot <= $cold ? PullKind::Hot : PullKind::Cold;
        }

        return $holds ? PullKind::Cold : PullKind::Hot;
    }
}
