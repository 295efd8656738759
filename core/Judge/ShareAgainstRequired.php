<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Statistics\SequentialShare;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\ProofPlan;

/**
 * The share of runs that succeed against the share that is required: shown with 95 % confidence, refuted with 95 %
 * confidence, or not yet known. A single look may be answered early once no further run can change what it will say.
 */
final readonly class ShareAgainstRequired
{
    private function __construct(
        public Answer $reached,
        /** Runs whose outcome counts, those beyond the plan left out. */
        public int $runs,
        public int $failures,
        /** Of a lower bound that leaves open whether it succeeded. */
        public int $unsettled,
        /** Two one-sided 95 % bounds of the share, from these runs at one look; null without runs. */
        public ?Interval $bounds,
        /** More have failed than the plan allows: it cannot be passed any more. */
        public bool $spoiled,
        /** Runs after which it was decided. */
        public ?int $decidedAt,
    ) {
    }

    /**
     * @param list<bool|null> $outcomes in the order of the runs; null: a lower bound that settles nothing
     * @param int|null        $allowed  failures that the plan allows; null: as many as the share does
     */
    public static function of(array $outcomes, float $share, Design $design, int $planned, int $most, ?int $allowed = null): self
    {
        $outcomes = \array_slice($outcomes, 0, max($most, 0));
        $looks = $planned < 1 ? null : (Design::Fixed === $design
            ? SequentialShare::once($planned, $share, ProofPlan::ERROR)
            : SequentialShare::afterEach($most, $share, ProofPlan::ERROR));
        $failures = $unsettled = 0;
        $answer = Answer::NotYet;
        $decidedAt = null;
        $spoiled = false;
        foreach ($outcomes as $i => $succeeded) {
            $failures += false === $succeeded ? 1 : 0;
            $unsettled += null === $succeeded ? 1 : 0;
            // What was shown stands: a failure after it spoils nothing.
            $spoiled = $spoiled || (null === $decidedAt && null !== $allowed && $failures > $allowed);
            if (null === $looks || null !== $decidedAt) {
                continue;
            }
            $k = $i + 1;
            [$look, $toCome] = Design::Fixed === $design ? [$planned, $planned - $k] : [$k, 0];
            $atMost = null === $allowed ? $looks->mostForYes[$look] : min($allowed, $looks->mostForYes[$look]);
            if ($failures + $unsettled + $toCome <= $atMost) {
                [$answer, $decidedAt] = [Answer::Yes, $k];
            } elseif ($failures >= $looks->fewestForNo[$look]) {
                [$answer, $decidedAt] = [Answer::No, $k];
            }
        }
        $n = \count($outcomes);

        return new self(
            $answer,
            $n,
            $failures,
            $unsettled,
            0 === $n ? null : new Interval(self::bounds($n - $failures - $unsettled, $n)->low, self::bounds($n - $failures, $n)->high),
            $spoiled,
            $decidedAt,
        );
    }

    private static function bounds(int $good, int $runs): Interval
    {
        static $known = [];

        return $known["$good/$runs"] ??= ClopperPearson::interval($good, $runs, 1 - 2 * ProofPlan::ERROR);
    }
}
