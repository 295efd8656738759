<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\SequentialT;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Why an answer is what it is: the figures that decided, against what the plan asks. */
final class Reasons
{
    /** One weak part in seven shows in so many pulls (simulated; docs/statistics.md); with fewer the mean may hide it. */
    private const WEAK_SEEN_FROM = 24;

    /** By what, and when, the verdicts of a plan are made. */
    public static function basis(ProofPlan $plan): Sentence
    {
        return Sentence::of(
            'judged.'.$plan->design->value.(PlanChance::byPulls($plan, true) ? '_pulls' : ''),
            criterion: $plan->criterion->words(),
            share: Quantity::share($plan->share),
            runs: Quantity::count($plan->runs),
            most: Quantity::count($plan->most($plan->runs)),
            allowed: Quantity::count($plan->failuresAllowed),
            confidence: Quantity::share(1 - ProofPlan::ERROR),
        );
    }

    /** @return list<Sentence> of what held */
    public static function hold(ShareAgainstRequired $share, ProofPlan $plan): array
    {
        return 0 === $share->runs
            ? [Sentence::of('hold.nobody_said')]
            : self::share(true, $share, $plan, $plan->runs);
    }

    /** @return list<Sentence> of how parts came off */
    public static function release(ShareAgainstRequired $share, SetupRecord $record, ProofPlan $plan): array
    {
        $reasons = 0 === $share->runs ? [Sentence::of('release.nobody_said')] : self::share(false, $share, $plan, $plan->coldRuns);
        $unsaid = $record->unsaid();
        if ($unsaid > 0) {
            $reasons[] = Sentence::of('release.unsaid', runs: Quantity::count($unsaid));
        }

        return $reasons;
    }

    /** After the pulls had settled it. */
    public static function failedSince(int $runs): Sentence
    {
        return Sentence::of('hold.since', runs: Quantity::count($runs));
    }

    public static function damaged(SetupRecord $record): Sentence
    {
        return Sentence::of('release.damaged', runs: Quantity::count($record->count(Measure::Damage, 0.5)));
    }

    /**
     * @param Measure|null $measure with which it was pulled; null: that of its kind
     *
     * @return list<Sentence>
     */
    public static function pulls(PullKind $kind, ValueAgainstLimit $pulls, ProofPlan $plan, float $limitN, ?Measure $measure = null): array
    {
        $measure ??= $kind->measure();
        $reasons = [];
        $planned = PullKind::Hot === $kind ? $plan->hotRuns : $plan->coldRuns;
        if ($pulls->uneven && null === $pulls->decidedAt) {
            $reasons[] = Sentence::of(
                'pulls.uneven',
                measure: $measure->words(),
                clearing: Quantity::count($pulls->clearing),
                n: Quantity::count($pulls->n),
                limit: Quantity::newtons($limitN),
                low: Quantity::share(ClopperPearson::interval($pulls->clearing, $pulls->n, 1 - 2 * ProofPlan::ERROR)->low),
            );
        }
        $reasons[] = self::bound($kind, $measure, $pulls, $planned, $plan->design, $limitN);
        if ($pulls->censored > 0) {
            $reasons[] = Sentence::of('pulls.lower_bounds', bounds: Quantity::count($pulls->censored), n: Quantity::count($pulls->n));
        }
        if (Answer::Yes === $pulls->clears && !self::weakWouldShow($plan->design, $pulls->n) && 0 === $pulls->censored) {
            $reasons[] = Sentence::of('pulls.yes_unseen_'.$kind->value, n: Quantity::count($pulls->n), from: Quantity::count(self::WEAK_SEEN_FROM));
        }

        if (Answer::No === $pulls->clears && Criterion::Mean === $pulls->criterion) {
            $reasons[] = Sentence::of('pulls.no_unseen_'.$kind->value, n: Quantity::count($pulls->n));
        }

        return $reasons;
    }

    /** Whether so many pulls would show one weak part in seven: not where the looking may end before the weak one comes. */
    public static function weakWouldShow(Design $design, int $pulls): bool
    {
        return Design::Fixed === $design && $pulls >= self::WEAK_SEEN_FROM;
    }

    private static function bound(PullKind $kind, Measure $measure, ValueAgainstLimit $pulls, int $planned, Design $design, float $limitN): Sentence
    {
        if (Criterion::NearlyAll === $pulls->criterion && $pulls->censored > 0) {
            return Sentence::of(
                'pulls.counted',
                measure: $measure->words(),
                clearing: Quantity::count($pulls->clearing),
                n: Quantity::count($pulls->n),
                limit: Quantity::newtons($limitN),
            );
        }
        if (null === $pulls->lower && null === $pulls->upper) {
            return Design::Fixed === $design && $planned >= SequentialT::FIRST_LOOK
                ? Sentence::of('pulls.planned', measure: $measure->words(), n: Quantity::count($pulls->n), planned: Quantity::count($planned))
                : Sentence::of(
                    'pulls.too_few',
                    measure: $measure->words(),
                    n: Quantity::count($pulls->n),
                    needed: Quantity::count(SequentialT::FIRST_LOOK),
                );
        }
        $side = null === $pulls->upper ? 'low' : (null === $pulls->lower ? 'high' : 'both');
        $about = Criterion::Mean === $pulls->criterion ? 'mean' : $kind->value;

        return Sentence::of(
            'pulls.'.$about.'_'.$side,
            measure: $measure->words(),
            low: Quantity::newtons($pulls->lower ?? 0.0),
            high: Quantity::newtons($pulls->upper ?? 0.0),
            confidence: Quantity::share(1 - ProofPlan::ERROR),
            looks: Sentence::of('looks.'.$design->value),
            n: Quantity::count($pulls->decidedAt ?? $pulls->n),
            limit: Quantity::newtons($limitN),
        );
    }

    /** @return list<Sentence> */
    private static function share(bool $hold, ShareAgainstRequired $share, ProofPlan $plan, int $planned): array
    {
        $key = static fn (string $name): string => $hold ? 'hold.'.$name : 'release.'.$name;
        // Where pulls decide, the count stands beside them and is no proof of a share by itself.
        $beside = Answer::No !== $share->reached && PlanChance::byPulls($plan, $hold);
        $said = Sentence::of(
            $key($beside ? 'beside' : $share->reached->value),
            good: Quantity::count($share->runs - $share->failures - $share->unsettled),
            bad: Quantity::count($share->failures),
            runs: Quantity::count($share->runs),
            low: Quantity::share($share->bounds->low ?? 0.0),
            high: Quantity::share($share->bounds->high ?? 1.0),
            share: Quantity::share($plan->share),
            allowed: Quantity::count($plan->failuresAllowed),
            confidence: Quantity::share(1 - ProofPlan::ERROR),
        );
        if (Answer::NotYet !== $share->reached && !$share->spoiled || Answer::No === $share->reached) {
            return [$said];
        }

        return match (true) {
            $share->spoiled => [
                Sentence::of(
                    $key('spoiled'),
                    bad: Quantity::count($share->failures),
                    runs: Quantity::count($share->runs),
                    allowed: Quantity::count($plan->failuresAllowed),
                ),
                $said,
            ],
            Design::Fixed === $plan->design && $share->runs < $planned && !$beside => [
                Sentence::of('judged.planned', done: Quantity::count($share->runs), planned: Quantity::count($planned)),
                $said,
            ],
            default => [$said],
        };
    }
}
