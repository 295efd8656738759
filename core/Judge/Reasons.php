<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Design;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\PullRule;
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
            'judged.'.$plan->design->value.(null !== $plan->pullRule(true) ? '_pulls' : ''),
            criterion: $plan->criterion->words(),
            share: Quantity::share($plan->share),
            runs: Quantity::count($plan->runs),
            most: Quantity::count($plan->most($plan->runs)),
            allowed: Quantity::count($plan->failuresAllowed),
            confidence: Quantity::share(1 - $plan->error),
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
    public static function release(ShareAgainstRequired $share, ProofPlan $plan): array
    {
        return 0 === $share->runs ? [Sentence::of('release.nobody_said')] : self::share(false, $share, $plan, $plan->coldRuns);
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
        $planned = $plan->planned(PullKind::Hot === $kind, true);
        if ($pulls->uneven && null === $pulls->decidedAt) {
            $reasons[] = Sentence::of(
                'pulls.uneven',
                measure: $measure->words(),
                clearing: Quantity::count($pulls->clearing()),
                n: Quantity::count($pulls->n),
                limit: Quantity::newtons($limitN),
                low: Quantity::share($pulls->counted->bounds->low ?? 0.0),
            );
        }
        $reasons[] = $pulls->rule->counts()
            ? self::counted($measure, $pulls, $plan, $planned, $limitN)
            : self::bound($kind, $measure, $pulls, $planned, $plan, $limitN);
        if ($pulls->censored > 0 && !$pulls->rule->counts()) {
            $reasons[] = Sentence::of(
                'pulls.lower_bounds',
                bounds: Quantity::count($pulls->censored),
                n: Quantity::count($pulls->n),
                clearing: Quantity::count($pulls->clearing()),
                fewest: Quantity::count(PullRule::Share->fewest($pulls->share, $plan->error)),
            );
        }
        if (Answer::Yes === $pulls->clears && PullRule::Share !== $pulls->rule && !self::weakWouldShow($plan->design, $pulls->n) && 0 === $pulls->censored) {
            $reasons[] = Sentence::of('pulls.yes_unseen_'.$kind->value, n: Quantity::count($pulls->n), from: Quantity::count(self::WEAK_SEEN_FROM));
        }
        if (Answer::No === $pulls->clears && PullRule::Mean === $pulls->rule) {
            $reasons[] = Sentence::of('pulls.no_unseen_'.$kind->value, n: Quantity::count($pulls->n));
        }

        return $reasons;
    }

    /** Whether so many pulls would show one weak part in seven: not where the looking may end before the weak one comes. */
    public static function weakWouldShow(Design $design, int $pulls): bool
    {
        return Design::Fixed === $design && $pulls >= self::WEAK_SEEN_FROM;
    }

    private static function counted(Measure $measure, ValueAgainstLimit $pulls, ProofPlan $plan, int $planned, float $limitN): Sentence
    {
        $fewest = $pulls->rule->fewest($plan->share, $plan->error);
        if (Answer::NotYet === $pulls->clears && $plan->most($planned) < $fewest) {
            return self::tooFew($measure, $pulls->n, $fewest);
        }
        if (Answer::NotYet === $pulls->clears && Design::Fixed === $plan->design && $pulls->n < $planned) {
            return self::planned($measure, $pulls->n, $planned);
        }

        return Sentence::of(
            'pulls.'.$pulls->rule->value.'_'.$pulls->clears->value,
            measure: $measure->words(),
            clearing: Quantity::count($pulls->clearing()),
            missing: Quantity::count($pulls->counted->failures),
            n: Quantity::count($pulls->n),
            limit: Quantity::newtons($limitN),
            low: Quantity::share($pulls->counted->bounds->low ?? 0.0),
            high: Quantity::share($pulls->counted->bounds->high ?? 1.0),
            share: Quantity::share($pulls->share),
            confidence: Quantity::share(1 - $plan->error),
        );
    }

    private static function tooFew(Measure $measure, int $n, int $needed): Sentence
    {
        return Sentence::of('pulls.too_few', measure: $measure->words(), n: Quantity::count($n), needed: Quantity::count($needed));
    }

    private static function planned(Measure $measure, int $n, int $planned): Sentence
    {
        return Sentence::of('pulls.planned', measure: $measure->words(), n: Quantity::count($n), planned: Quantity::count($planned));
    }

    private static function bound(PullKind $kind, Measure $measure, ValueAgainstLimit $pulls, int $planned, ProofPlan $plan, float $limitN): Sentence
    {
        if (null === $pulls->lower && null === $pulls->upper) {
            $fewest = $pulls->rule->fewest($plan->share, $plan->error);

            return Design::Fixed === $plan->design && $planned >= $fewest
                ? self::planned($measure, $pulls->n, $planned)
                : self::tooFew($measure, $pulls->n, $fewest);
        }
        $side = null === $pulls->upper ? 'low' : (null === $pulls->lower ? 'high' : 'both');
        $about = match ($pulls->rule) {
            PullRule::NearlyAll => $kind->value,
            PullRule::MiddleOfLogs => 'middle',
            default => 'mean',
        };

        return Sentence::of(
            'pulls.'.$about.'_'.$side,
            measure: $measure->words(),
            low: Quantity::newtons($pulls->lower ?? 0.0),
            high: Quantity::newtons($pulls->upper ?? 0.0),
            confidence: Quantity::share(1 - $plan->error),
            looks: Sentence::of('looks.'.$plan->design->value),
            n: Quantity::count($pulls->decidedAt ?? $pulls->n),
            limit: Quantity::newtons($limitN),
        );
    }

    /** @return list<Sentence> */
    private static function share(bool $hold, ShareAgainstRequired $share, ProofPlan $plan, int $planned): array
    {
        $key = static fn (string $name): string => $hold ? 'hold.'.$name : 'release.'.$name;
        // Where pulls decide, the count stands beside them and is no proof of a share by itself.
        $beside = Answer::No !== $share->reached && null !== $plan->pullRule($hold);
        $said = Sentence::of(
            $key($beside ? 'beside' : $share->reached->value),
            good: Quantity::count($share->passed()),
            bad: Quantity::count($share->failures),
            runs: Quantity::count($share->runs),
            low: Quantity::share($share->bounds->low ?? 0.0),
            high: Quantity::share($share->bounds->high ?? 1.0),
            share: Quantity::share($plan->share),
            allowed: Quantity::count($plan->failuresAllowed),
            confidence: Quantity::share(1 - $plan->error),
        );
        $against = self::against($hold, $share);
        if (Answer::NotYet !== $share->reached && !$share->spoiled || Answer::No === $share->reached) {
            return [$said, ...$against];
        }

        return match (true) {
            $share->overspent => [
                Sentence::of(
                    $key('spoiled'),
                    bad: Quantity::count($share->failures),
                    runs: Quantity::count($share->runs),
                    allowed: Quantity::count($plan->failuresAllowed),
                ),
                $said,
                ...$against,
            ],
            $share->spoiled => [...$against, $said],
            Design::Fixed === $plan->design && $share->runs < $planned && !$beside => [
                Sentence::of('judged.planned', done: Quantity::count($share->runs), planned: Quantity::count($planned)),
                $said,
                ...$against,
            ],
            default => [$said, ...$against],
        };
    }

    /** @return list<Sentence> of what counts against either answer, and how to settle it */
    private static function against(bool $hold, ShareAgainstRequired $share): array
    {
        $key = $hold ? 'hold.' : 'release.';

        return array_values(array_filter([
            0 === $share->unsaid ? null : Sentence::of($key.'unsaid', runs: Quantity::count($share->unsaid)),
            0 === $share->open ? null : Sentence::of($key.'open', runs: Quantity::count($share->open)),
        ]));
    }
}
