<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Statistics\SequentialShare;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Test\RunOutcome;

/**
 * The share of runs that succeed against the share that is required: shown with confidence, refuted with confidence, or not
 * yet known. What is open or unsaid takes its place among the looks and counts against either answer ({@see RunOutcome}). A single
 * look may be answered early once no further run can change what it will say.
 */
final readonly class ShareAgainstRequired
{
    private function __construct(
        public Answer $reached,
        /** Runs whose outcome counts, those beyond the plan left out. */
        public int $runs,
        public int $failures,
        /** That a reading leaves open. */
        public int $open,
        /** Of which nobody said it. */
        public int $unsaid,
        /** Two one-sided bounds of the share, from these runs at one look; null without runs. */
        public ?Interval $bounds,
        /** More have failed, or do not say that they did not, than the plan allows: as it stands it cannot be passed any more. */
        public bool $spoiled,
        /** More have failed than that, whatever the others turn out to be. */
        public bool $overspent,
        /** Runs after which it was decided. */
        public ?int $decidedAt,
    ) {
    }

    /**
     * @param list<RunOutcome> $outcomes in the order of the looks
     * @param int|null         $allowed  failures that the plan allows; null: as many as the share does
     * @param float            $error    of either answer
     */
    public static function of(
        array $outcomes,
        float $share,
        Design $design,
        int $planned,
        int $most,
        ?int $allowed = null,
        float $error = ProofPlan::ERROR,
    ): self {
        $outcomes = \array_slice($outcomes, 0, max($most, 0));
        $looks = $planned < 1 ? null : (Design::Fixed === $design
            ? SequentialShare::once($planned, $share, $error)
            : SequentialShare::afterEach($most, $share, $error));
        $count = array_fill_keys(array_column(RunOutcome::cases(), 'value'), 0);
        $answer = Answer::NotYet;
        $decidedAt = null;
        $spoiled = $overspent = false;
        foreach ($outcomes as $i => $outcome) {
            ++$count[$outcome->value];
            $k = $i + 1;
            $failures = $count['failed'];
            $notPassed = $k - $count['passed'];
            // What was shown stands: a failure after it spoils nothing.
            $spoiled = $spoiled || (null === $decidedAt && null !== $allowed && $notPassed > $allowed);
            $overspent = $overspent || (null === $decidedAt && null !== $allowed && $failures > $allowed);
            if (null === $looks || null !== $decidedAt) {
                continue;
            }
            [$look, $toCome] = Design::Fixed === $design ? [$planned, $planned - $k] : [$k, 0];
            $atMost = null === $allowed ? $looks->mostForYes[$look] : min($allowed, $looks->mostForYes[$look]);
            if ($notPassed + $toCome <= $atMost) {
                [$answer, $decidedAt] = [Answer::Yes, $k];
            } elseif ($failures >= $looks->fewestForNo[$look]) {
                [$answer, $decidedAt] = [Answer::No, $k];
            }
        }
        $n = \count($outcomes);

        return new self(
            $answer,
            $n,
            $count['failed'],
            $count['open'],
            $count['unsaid'],
            0 === $n ? null : new Interval(
                self::bounds($count['passed'], $n, $error)->low,
                self::bounds($n - $count['failed'], $n, $error)->high,
            ),
            $spoiled,
            $overspent,
            $decidedAt,
        );
    }

    /**
     * As a plan has it: of its runs, with the failures that it allows, or of the pulls that a rule counts.
     *
     * @param list<RunOutcome> $outcomes in the order of the looks
     */
    public static function ofPlan(array $outcomes, ProofPlan $plan, bool $hold, ?PullRule $rule = null): self
    {
        $planned = $plan->planned($hold, null !== $rule);

        return self::of(
            $outcomes,
            $rule?->share($plan->share) ?? $plan->share,
            $plan->design,
            $planned,
            $plan->most($planned),
            null === $rule ? $plan->failuresAllowed : null,
            $plan->error,
        );
    }

    public function passed(): int
    {
        return $this->runs - $this->failures - $this->open - $this->unsaid;
    }

    private static function bounds(int $good, int $runs, float $error): Interval
    {
        static $known = [];

        return $known["$good/$runs/$error"] ??= ClopperPearson::interval($good, $runs, 1 - 2 * $error);
    }
}
