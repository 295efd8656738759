<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * How a run ended, once for hold and once for release: the one place where readings become *passed*, *failed*, *open* or
 * *unsaid*. Verdicts, outlooks, profiles, coats and reports read it and have no rule of their own.
 */
final readonly class RunOutcomes
{
    private function __construct(
        public RunOutcome $hold,
        /** Null: not asked, as the part came off in the print or was pulled off hot. */
        public ?RunOutcome $release,
    ) {
    }

    /**
     * @param list<Reading> $readings of one run
     * @param bool          $pulls    whether a pull beyond its limit is a failure by itself
     * @param PullKind|null $pull     how its part was to be taken off; null: as its readings tell
     * @param bool          $takenHot the hot pull is the way in which its part is taken off
     */
    public static function of(array $readings, Limits $limits, bool $pulls, ?PullKind $pull = null, bool $takenHot = false): self
    {
        $said = [];
        foreach ($readings as $reading) {
            $said[$reading->measure->key()][] = $reading;
        }
        $pull ??= self::pullOf($said);

        return new self(
            self::hold($said, $limits, $pulls && !$takenHot, $pull),
            self::release($said, $limits, $pulls, $pull, $takenHot),
        );
    }

    /** Of the run as a whole: as the worse of what it says to the two questions. */
    public function worse(): RunOutcome
    {
        return null === $this->release ? $this->hold : $this->hold->and($this->release);
    }

    /** Of a print of which no more is noted than whether it held; null: not even that. */
    public static function held(?bool $held): RunOutcome
    {
        return null === $held ? RunOutcome::Unsaid : ($held ? RunOutcome::Passed : RunOutcome::Failed);
    }

    /** Of how a part came off where nobody set a limit: without scraper and without harm to the plate; null: not noted. */
    public static function cameOff(?Effort $effort, ?bool $damaged): RunOutcome
    {
        $easily = null === $effort ? RunOutcome::Unsaid : ($effort->value <= UsualPlan::effortAtMost()->value ? RunOutcome::Passed : RunOutcome::Failed);

        return $easily->and(null === $damaged ? RunOutcome::Unsaid : ($damaged ? RunOutcome::Failed : RunOutcome::Passed));
    }

    /**
     * Held to the end with no more lift than allowed; where pulls are counted, pulled hot with what the limit asks.
     *
     * @param array<string, list<Reading>> $said
     */
    private static function hold(array $said, Limits $limits, bool $pulls, ?PullKind $pull): RunOutcome
    {
        $outcome = self::toTheEnd($said);
        if (RunOutcome::Failed === $outcome) {
            return $outcome;
        }
        if (null !== $limits->liftAtMostMm) {
            $ends = array_map(static fn (Reading $reading): float => $reading->value, $said[Measure::Lift->value] ?? []);
            $outcome = $outcome->and(match (true) {
                [] === $ends => RunOutcome::Unsaid,
                $limits->liftBy->of($ends) <= $limits->liftAtMostMm => RunOutcome::Passed,
                default => RunOutcome::Failed,
            });
        }
        if (!$pulls || null === $limits->hotPullAtLeastN) {
            return $outcome;
        }
        $hot = $said[Measure::PullHot->value] ?? [];
        // A part gives one pull: one that was to be pulled cold says by its print alone whether it held.
        if ([] === $hot) {
            return PullKind::Cold === $pull ? $outcome : $outcome->and(RunOutcome::Unsaid);
        }
        foreach ($hot as $reading) {
            $outcome = $outcome->and($reading->against($limits->hotPullAtLeastN, true));
        }

        return $outcome;
    }

    /**
     * Taken off not harder than allowed, the plate unharmed; where pulls are counted, with no more pull than allowed.
     *
     * @param array<string, list<Reading>> $said
     */
    private static function release(array $said, Limits $limits, bool $pulls, ?PullKind $pull, bool $takenHot): ?RunOutcome
    {
        $efforts = $said[Measure::Effort->value] ?? [];
        $damages = $said[Measure::Damage->value] ?? [];
        $harmed = self::each($damages, static fn (Reading $reading): bool => $reading->value < 0.5);
        $easily = self::each($efforts, static fn (Reading $reading): bool => $reading->value <= $limits->effortAtMost->value);
        if (RunOutcome::Failed === self::toTheEnd($said)) {
            // That a part which had let go came off easily says nothing; that it came off hard does.
            return RunOutcome::Failed === $harmed->and($easily) ? RunOutcome::Failed : null;
        }
        $by = $takenHot ? Measure::PullHot : Measure::PullCold;
        $taken = $said[$by->value] ?? [];
        $pulledHot = !$takenHot && [] !== ($said[Measure::PullHot->value] ?? []);
        if ($pulledHot && [] === $taken) {
            // How a part comes off hot is no word on how it comes off; that the plate was harmed is.
            return RunOutcome::Failed === $harmed ? RunOutcome::Failed : null;
        }
        $outcome = $easily->and($harmed);
        if ($pulls && null !== $limits->coldPullAtMostN) {
            $outcome = $outcome->and([] === $taken ? RunOutcome::Unsaid : RunOutcome::Passed);
            foreach ($taken as $reading) {
                $outcome = $outcome->and($reading->against($limits->coldPullAtMostN, false));
            }
        }

        return $outcome;
    }

    /** @param array<string, list<Reading>> $said */
    private static function toTheEnd(array $said): RunOutcome
    {
        return self::each($said[Measure::Held->value] ?? [], static fn (Reading $reading): bool => $reading->value > 0.5);
    }

    /**
     * @param list<Reading>           $readings
     * @param \Closure(Reading): bool $passes
     */
    private static function each(array $readings, \Closure $passes): RunOutcome
    {
        $outcome = [] === $readings ? RunOutcome::Unsaid : RunOutcome::Passed;
        foreach ($readings as $reading) {
            $outcome = $passes($reading) ? $outcome : RunOutcome::Failed;
        }

        return $outcome;
    }

    /** @param array<string, list<Reading>> $said */
    private static function pullOf(array $said): ?PullKind
    {
        return match (true) {
            isset($said[Measure::PullHot->value]) => PullKind::Hot,
            isset($said[Measure::PullCold->value]) => PullKind::Cold,
            default => null,
        };
    }
}
