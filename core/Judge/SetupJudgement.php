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

/**
 * The verdict on one setup, by the criterion and at the looks that its plan froze. Whether it holds: the share of runs that
 * held, and the hot pulls where they decide. Whether it lets go: effort and damage, and the cold pulls where they decide.
 * Each answer is wrong at most in one case in twenty at the limit, where its rule claims that; what lies between is not yet
 * known. More force never wins by itself.
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
        /** Runs (visits) of this setup that its plan still has, where they can settle the verdict; null: settled, or they cannot. */
        public ?int $runsLeft,
        /** Whether what is left are visits. */
        private bool $byVisit,
        /** Where the plan has so few pulls, or runs, that they can show nothing, whatever they are. */
        private ?Sentence $tooFew,
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
            Verdict::NotYetKnown === $verdict ? self::left($plan, $record, $hold, $release) : null,
            $plan->byVisit,
            self::tooFew($plan, $record, $hold, $release),
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
                ? Sentence::of($this->byVisit ? 'verdict.visits_left' : 'verdict.runs_left', runs: Quantity::count($this->runsLeft))
                : Sentence::of(
                    $this->byVisit ? 'verdict.more_visits' : 'verdict.more_runs',
                    runs: Quantity::count($this->runsLeft),
                    chance: Quantity::share($inPlan->chance, 0.05),
                );
        }
        if (null !== $newPlan) {
            return Sentence::of('verdict.new_plan', runs: Quantity::count($newPlan->runs), chance: Quantity::share($newPlan->chance, 0.05));
        }

        $spoiled = array_filter([$this->hold, $this->release], static fn (Finding $each): bool => $each->spoiled());
        $unsettled = array_sum(array_map(static fn (Finding $each): int => $each->share->overspent ? 0 : $each->share->open + $each->share->unsaid, $spoiled));

        return match (true) {
            // What is missing may still be said.
            $unsettled > 0 => Sentence::of('verdict.unsettled', runs: Quantity::count($unsettled)),
            [] !== $spoiled => Sentence::of('verdict.not_in_this_plan'),
            default => $this->tooFew ?? Sentence::of('verdict.at_the_limit'),
        };
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
        $rule = $record->takenHot ? null : $plan->pullRule(true);
        if (null === $rule) {
            $share = self::held($record, $plan, true);

            return new Finding(self::passable($share), Reasons::hold($share, $plan), $share);
        }
        $limit = (float) $plan->limits->hotPullAtLeastN;
        $pulls = self::pulls($record, $plan, $rule, true, $limit);
        $all = self::held($record, $plan, false);
        // Of what was settled only what refutes it changes that; what failed since is said.
        $then = self::atItsLook($record, Measure::PullHot, true, $pulls, $plan);
        $share = $then === $record || Answer::No === $all->reached ? $all : self::held($then, $plan, false);
        $since = $all->failures - $share->failures;

        return self::byPulls(
            $pulls,
            $share,
            Reasons::pulls(PullKind::Hot, $pulls, $plan, $limit),
            [...Reasons::hold($share, $plan), ...($since > 0 ? [Reasons::failedSince($since)] : [])],
            $plan->design,
            $plan->runs,
        );
    }

    private static function release(SetupRecord $record, ProofPlan $plan): Finding
    {
        $rule = $plan->pullRule(false);
        $limit = (float) $plan->limits->coldPullAtMostN;
        $pulls = null === $rule ? null : self::pulls($record, $plan, $rule, false, $limit);
        $then = null === $pulls ? $record : self::atItsLook($record, $record->releasePull(), false, $pulls, $plan);
        $share = ShareAgainstRequired::ofPlan($then->releaseOutcomes($plan->limits, null === $rule), $plan, false);
        $reasons = Reasons::release($share, $plan);
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
            Reasons::pulls(PullKind::Cold, $pulls, $plan, $limit, $record->releasePull()),
            $reasons,
            $plan->design,
            $plan->coldRuns,
        );
    }

    private static function pulls(SetupRecord $record, ProofPlan $plan, PullRule $rule, bool $hold, float $limitN): ValueAgainstLimit
    {
        $measure = $hold ? Measure::PullHot : $record->releasePull();

        return ValueAgainstLimit::ofPlan($record->values($measure), $limitN, $hold, $rule, $plan, $record->pullOutcomes($measure, $limitN, $hold));
    }

    private static function held(SetupRecord $record, ProofPlan $plan, bool $counts): ShareAgainstRequired
    {
        return ShareAgainstRequired::ofPlan($record->holdOutcomes($plan->limits, $counts), $plan, true);
    }

    /** What was known when the pulls of a plan that is looked at after each run were settled: that stands. */
    private static function atItsLook(SetupRecord $record, Measure $measure, bool $hold, ValueAgainstLimit $pulls, ProofPlan $plan): SetupRecord
    {
        return match (true) {
            Design::Adaptive !== $plan->design || null === $pulls->decidedAt => $record,
            $pulls->rule->counts() => $record->upToPulls($measure, $hold, $pulls->decidedAt),
            default => $record->upToValues($measure, $pulls->decidedAt),
        };
    }

    private static function tooFew(ProofPlan $plan, SetupRecord $record, Finding $hold, Finding $release): ?Sentence
    {
        foreach ([[$hold, true], [$release, false]] as [$finding, $holds]) {
            $rule = $holds && $record->takenHot ? null : $plan->pullRule($holds);
            $planned = $plan->most($plan->planned($holds, null !== $rule));
            $needed = ($rule ?? PullRule::Share)->fewest($plan->share, $plan->error);
            if (Answer::NotYet === $finding->answer && $planned < $needed) {
                $measure = $holds ? Measure::PullHot : $record->releasePull();

                return Sentence::of(
                    'verdict.too_few',
                    planned: Quantity::count($planned),
                    what: null === $rule ? Sentence::of($holds ? 'verdict.runs' : 'verdict.taken_off') : $measure->words(),
                    needed: Quantity::count($needed),
                );
            }
        }

        return null;
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

    /** Pulls hot and cold are of different runs, if not of different visits; what is counted of all runs is of the same. */
    private static function left(ProofPlan $plan, SetupRecord $record, Finding $hold, Finding $release): ?int
    {
        if ($hold->spoiled() || $release->spoiled()) {
            return null;
        }
        $left = static function (Finding $finding, int $pulls, int $runs) use ($plan): int {
            if (Answer::NotYet !== $finding->answer) {
                return 0;
            }
            $byRuns = $plan->most($runs) - $finding->share->runs;
            $byPulls = null === $finding->pulls ? $byRuns : $plan->most($pulls) - $finding->pulls->n;

            return max(0, Design::Fixed === $plan->design ? $byRuns : 0, $byPulls);
        };
        $ofHold = $left($hold, $plan->hotRuns, $plan->runs);
        $ofRelease = $left($release, $plan->coldRuns, $plan->coldRuns);
        $ofOthers = null !== $hold->pulls && !$record->takenHot && !$plan->byVisit;
        $most = $ofOthers ? $ofHold + $ofRelease : max($ofHold, $ofRelease);

        return $most > 0 ? $most : null;
    }
}
