<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * The verdict on one setup, by the criterion and at the looks that its plan froze. Whether it holds: the share of runs that
 * held, and the hot pulls where they decide. Whether it lets go: effort and damage, and the cold pulls where they decide.
 * Each answer is wrong at most in one case in twenty at the limit; what lies between is not yet known. More force never
 * wins by itself.
 */
final readonly class SetupJudgement
{
    /** From this chance on something was expected. */
    private const EXPECTED = 0.7;

    private function __construct(
        public string $setup,
        public Verdict $verdict,
        public Finding $hold,
        public Finding $release,
        public HeldRate $held,
        /** Runs of this setup that its plan still has, where they can settle the verdict; null: settled, or they cannot. */
        public ?int $runsLeft,
    ) {
    }

    public static function of(SetupRecord $record, ProofPlan $plan): self
    {
        $hold = self::hold($record, $plan);
        $release = self::release($record, $plan);
        $verdict = Verdict::combining($hold->answer, $release->answer);

        return new self(
            $record->name,
            $verdict,
            $hold,
            $release,
            HeldRate::of($record),
            Verdict::NotYetKnown === $verdict ? self::left($plan, $hold, $release) : null,
        );
    }

    /**
     * @param Outlook|null $inPlan  of the runs that are left
     * @param Outlook|null $newPlan where none are; null: no number of runs is likely to settle it
     */
    public function words(?Outlook $inPlan = null, ?Outlook $newPlan = null): Sentence
    {
        if (Verdict::NotYetKnown !== $this->verdict) {
            return $this->verdict->words();
        }
        if (null !== $this->runsLeft) {
            return null === $inPlan
                ? Sentence::of('verdict.runs_left', runs: Quantity::count($this->runsLeft))
                : Sentence::of('verdict.more_runs', runs: Quantity::count($this->runsLeft), chance: Quantity::share($inPlan->chance, 0.05));
        }
        if (null !== $newPlan) {
            return Sentence::of('verdict.new_plan', runs: Quantity::count($newPlan->runs), chance: Quantity::share($newPlan->chance, 0.05));
        }

        return Sentence::of($this->hold->spoiled() || $this->release->spoiled() ? 'verdict.not_in_this_plan' : 'verdict.at_the_limit');
    }

    /**
     * Where the verdict is another than what was expected before the first run.
     *
     * @param float|null $hold    chance of it, as it was reckoned when the plan was made; null: it was not
     * @param float|null $release likewise
     */
    public function against(?float $hold, ?float $release): ?Sentence
    {
        foreach ([['hold', $hold, $this->hold->answer], ['release', $release, $this->release->answer]] as [$question, $expected, $answer]) {
            if (null === $expected) {
                continue;
            }
            if ($expected >= self::EXPECTED && Answer::No === $answer || $expected <= 1 - self::EXPECTED && Answer::Yes === $answer) {
                return Sentence::of('surprise.'.$question.'_'.$answer->value, chance: Quantity::share($expected));
            }
        }

        return null;
    }

    private static function hold(SetupRecord $record, ProofPlan $plan): Finding
    {
        if ($record->takenHot || self::byCounts($plan, $plan->limits->hotPullAtLeastN)) {
            $share = self::held($record, $plan, !$record->takenHot);

            return new Finding(self::passable($share), Reasons::hold($share, $plan), $share);
        }
        $pulls = ValueAgainstLimit::of(
            $record->values(Measure::PullHot),
            (float) $plan->limits->hotPullAtLeastN,
            true,
            $plan->criterion,
            $plan->design,
            $plan->hotRuns,
            $plan->most($plan->hotRuns),
        );
        $all = self::held($record, $plan, false);
        // Of what was settled only what refutes it changes that; what failed since is said.
        $then = self::atItsLook($record, Measure::PullHot, $pulls, $plan);
        $share = $then === $record || Answer::No === $all->reached ? $all : self::held($then, $plan, false);
        $since = $all->failures - $share->failures;

        return self::byPulls(
            $pulls,
            $share,
            Reasons::pulls(PullKind::Hot, $pulls, $plan, (float) $plan->limits->hotPullAtLeastN),
            [...Reasons::hold($share, $plan), ...($since > 0 ? [Reasons::failedSince($since)] : [])],
            $plan->design,
            $plan->runs,
        );
    }

    private static function release(SetupRecord $record, ProofPlan $plan): Finding
    {
        $counts = self::byCounts($plan, $plan->limits->coldPullAtMostN);
        $pulls = $counts ? null : ValueAgainstLimit::of(
            $record->values($record->releasePull()),
            (float) $plan->limits->coldPullAtMostN,
            false,
            $plan->criterion,
            $plan->design,
            $plan->coldRuns,
            $plan->most($plan->coldRuns),
        );
        $then = null === $pulls ? $record : self::atItsLook($record, $record->releasePull(), $pulls, $plan);
        $share = ShareAgainstRequired::of(
            $then->releaseOutcomes($plan->limits, $counts),
            $plan->share,
            $plan->design,
            $plan->coldRuns,
            $plan->most($plan->coldRuns),
            $plan->failuresAllowed,
        );
        $reasons = Reasons::release($share, $record, $plan);
        // A plate that was harmed is a fact, however rare: nobody asks for the next one.
        if ($record->count(Measure::Damage, 0.5) > 0) {
            return new Finding(Answer::No, [Reasons::damaged($record), ...$reasons], $share, $pulls);
        }
        if (null === $pulls) {
            return new Finding(self::passable($share), $reasons, $share);
        }

        return self::byPulls(
            $pulls,
            $share,
            Reasons::pulls(PullKind::Cold, $pulls, $plan, (float) $plan->limits->coldPullAtMostN, $record->releasePull()),
            $reasons,
            $plan->design,
            $plan->coldRuns,
        );
    }

    private static function held(SetupRecord $record, ProofPlan $plan, bool $counts): ShareAgainstRequired
    {
        return ShareAgainstRequired::of(
            $record->holdOutcomes($plan->limits, $counts),
            $plan->share,
            $plan->design,
            $plan->runs,
            $plan->most($plan->runs),
            $plan->failuresAllowed,
        );
    }

    /** What was known when the pulls of a plan that is looked at after each run were settled: that stands. */
    private static function atItsLook(SetupRecord $record, Measure $measure, ValueAgainstLimit $pulls, ProofPlan $plan): SetupRecord
    {
        return Design::Adaptive === $plan->design && null !== $pulls->decidedAt ? $record->upTo($measure, $pulls->decidedAt) : $record;
    }

    private static function byCounts(ProofPlan $plan, ?float $limitN): bool
    {
        return Criterion::Counts === $plan->criterion || null === $limitN;
    }

    /** What a share shows, unless the plan allows less. */
    private static function passable(ShareAgainstRequired $share): Answer
    {
        return Answer::Yes === $share->reached && $share->spoiled ? Answer::NotYet : $share->reached;
    }

    /**
     * The pulls decide; the runs without one are counted beside them, as the mean of the survivors hides what came off.
     *
     * @param list<Sentence> $ofPulls
     * @param list<Sentence> $ofShare
     */
    private static function byPulls(
        ValueAgainstLimit $pulls,
        ShareAgainstRequired $share,
        array $ofPulls,
        array $ofShare,
        Design $design,
        int $planned,
    ): Finding {
        if (Answer::No === $share->reached) {
            return new Finding(Answer::No, [...$ofShare, ...$ofPulls], $share, $pulls);
        }
        if (Answer::No === $pulls->clears) {
            return new Finding(Answer::No, [...$ofPulls, ...$ofShare], $share, $pulls);
        }
        if ($share->spoiled) {
            return new Finding(Answer::NotYet, [...$ofShare, ...$ofPulls], $share, $pulls);
        }
        // Of each pull it has to be said how it went; a plan of one look has to be carried out.
        $done = $share->runs >= (Design::Adaptive === $design ? $pulls->decidedAt ?? $pulls->n : $planned);

        return new Finding(
            Answer::Yes === $pulls->clears && $done ? Answer::Yes : Answer::NotYet,
            Answer::Yes === $pulls->clears && !$done ? [...$ofShare, ...$ofPulls] : [...$ofPulls, ...$ofShare],
            $share,
            $pulls,
        );
    }

    private static function left(ProofPlan $plan, Finding $hold, Finding $release): ?int
    {
        if ($hold->spoiled() || $release->spoiled()) {
            return null;
        }
        // A part gives one pull, hot or cold, so what the two questions still need of pulls adds up; counted runs serve both.
        $left = [];
        foreach ([[$hold, $plan->hotRuns, $plan->runs], [$release, $plan->coldRuns, $plan->coldRuns]] as [$finding, $pulls, $runs]) {
            if (Answer::NotYet === $finding->answer) {
                $byRuns = $plan->most($runs) - $finding->share->runs;
                $byPulls = null === $finding->pulls ? $byRuns : $plan->most($pulls) - $finding->pulls->n;
                $left[] = max(Design::Fixed === $plan->design ? $byRuns : 0, $byPulls);
            }
        }
        $most = $plan->limits->pullsDecide() && Criterion::Counts !== $plan->criterion ? array_sum($left) : max([0, ...$left]);

        return $most > 0 ? $most : null;
    }
}
