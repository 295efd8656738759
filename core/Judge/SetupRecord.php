<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Effort;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;

/**
 * All readings of one setup, run by run in the order in which they were made, voids left out. What stands on one plate at
 * a time is not independent: the parts of a run give one outcome and one value of a measure, and so do the runs of a
 * visit during which the plate stayed where it was.
 */
final readonly class SetupRecord
{
    /**
     * @param list<list<Reading>> $runs     the readings of each non-void run
     * @param list<string>|null   $units    of each run the visit it belongs to; null: each run stands for itself
     * @param list<string>|null   $visits   of each run the visit during which it was made; null: nobody knows
     * @param bool                $takenHot its parts are taken off while the bed is at print temperature
     * @param list<?PullKind>     $pulls    how the part of each run was to be taken off; missing or null: as its readings tell
     */
    public function __construct(
        public string $name,
        public array $runs,
        public ?array $units = null,
        public ?array $visits = null,
        public bool $takenHot = false,
        public array $pulls = [],
    ) {
    }

    /** The pull with which its parts come off. */
    public function releasePull(): Measure
    {
        return $this->takenHot ? Measure::PullHot : Measure::PullCold;
    }

    /** @return list<Reading> */
    public function readings(Measured $measure): array
    {
        $found = [];
        foreach ($this->runs as $run) {
            foreach ($run as $reading) {
                if ($reading->measure === $measure) {
                    $found[] = $reading;
                }
            }
        }

        return $found;
    }

    /** How many readings of a yes-or-no measure (or of effort above a limit) count against the setup. */
    public function count(Measured $measure, float $above): int
    {
        return \count(array_filter(
            $this->readings($measure),
            static fn (Reading $reading): bool => $reading->value > $above,
        ));
    }

    /**
     * One value of each unit that has the measure: the mean of its readings, a lower bound as soon as one of them is.
     *
     * @return list<UnitValue>
     */
    public function values(Measured $measure): array
    {
        return array_values($this->valuesByUnit($measure));
    }

    /** Its first runs. */
    public function first(int $runs): self
    {
        return new self(
            $this->name,
            \array_slice($this->runs, 0, $runs),
            null === $this->units ? null : \array_slice($this->units, 0, $runs),
            null === $this->visits ? null : \array_slice($this->visits, 0, $runs),
            $this->takenHot,
            \array_slice($this->pulls, 0, $runs),
        );
    }

    /** The runs up to the one with which so many units had a value of the measure: what was known at that look. */
    public function upToValues(Measured $measure, int $values): self
    {
        return $this->upTo($values, static function (array $run) use ($measure): bool {
            foreach ($run as $reading) {
                if ($reading->measure === $measure) {
                    return true;
                }
            }

            return false;
        });
    }

    /** The runs up to the one with which so many units had a place among the pulls that are counted. */
    public function upToPulls(Measure $measure, bool $hold, int $pulls): self
    {
        return $this->upTo($pulls, fn (array $run, int $i): bool => null !== $this->pullOutcome($i, $measure, $hold, null));
    }

    /**
     * The one lift of each unit that has one, of a visit the mean of its runs.
     *
     * @return list<UnitValue> mm
     */
    public function lifts(LiftBy $by): array
    {
        $units = $visits = [];
        foreach ($this->runs as $i => $run) {
            $lift = self::lift($run, $by);
            if (null !== $lift) {
                $units[$this->units[$i] ?? $i][] = $lift;
                $visits[$this->units[$i] ?? $i] = $this->visits[$i] ?? '';
            }
        }

        $values = [];
        foreach ($units as $unit => $lifts) {
            $values[] = new UnitValue(array_sum($lifts) / \count($lifts), visit: $visits[$unit]);
        }

        return $values;
    }

    /**
     * How each unit ended: to the end of the print with no more lift than allowed, and, where pulls are counted, with a hot pull
     * that reaches its limit.
     *
     * @param bool $pulls whether a pull below the limit is a failure by itself
     *
     * @return list<RunOutcome>
     */
    public function holdOutcomes(Limits $limits, bool $pulls): array
    {
        return $this->ofUnits(fn (int $i): RunOutcome => $this->outcomes($i, $limits, $pulls)->hold);
    }

    /**
     * How each unit of which it is asked came off: not harder than allowed, the plate unharmed, and, where pulls are counted, with
     * a cold pull within its limit.
     *
     * @return list<RunOutcome>
     */
    public function releaseOutcomes(Limits $limits, bool $pulls): array
    {
        return $this->ofUnits(fn (int $i): ?RunOutcome => $this->outcomes($i, $limits, $pulls)->release);
    }

    /**
     * On which side of the limit each unit lies that was to give a pull, by the one value that it gives. A part that came off in the
     * print had no hot pull left to show, and one that nobody pulled shows none.
     *
     * @param Measure $measure the hot pull, or that with which parts come off
     * @param bool    $hold    whether the limit is a lower one, which a part has to hold; else an upper one
     *
     * @return list<RunOutcome>
     */
    public function pullOutcomes(Measure $measure, float $limitN, bool $hold): array
    {
        $values = $this->valuesByUnit($measure);

        return $this->ofUnits(fn (int $i): ?RunOutcome => $this->pullOutcome(
            $i,
            $measure,
            $hold,
            ($values[$this->units[$i] ?? $i] ?? null)?->against($limitN, $hold),
        ));
    }

    /** @return list<int> how many parts came off with each effort, the easiest first */
    public function efforts(): array
    {
        $efforts = array_fill(0, \count(Effort::cases()), 0);
        foreach ($this->readings(Measure::Effort) as $reading) {
            ++$efforts[(int) $reading->value];
        }

        return array_values($efforts);
    }

    /** How a run counts among the pulls of a question; null: it was to give none. */
    private function pullOutcome(int $i, Measure $measure, bool $hold, ?RunOutcome $ofValue): ?RunOutcome
    {
        $has = $cameOff = false;
        foreach ($this->runs[$i] as $reading) {
            $has = $has || $reading->measure === $measure;
            $cameOff = $cameOff || (Measure::Held === $reading->measure && $reading->value < 0.5);
        }
        if ($has) {
            return $ofValue ?? RunOutcome::Passed;
        }
        $kind = $this->pulls[$i] ?? null;
        if (null === $kind || $kind->measure() !== $measure) {
            return null;
        }

        return match (true) {
            !$cameOff => RunOutcome::Unsaid,
            $hold => RunOutcome::Failed,
            default => null,
        };
    }

    /** @return array<int|string, UnitValue> */
    private function valuesByUnit(Measured $measure): array
    {
        $units = $visits = [];
        foreach ($this->runs as $i => $run) {
            foreach ($run as $reading) {
                if ($reading->measure === $measure) {
                    $units[$this->units[$i] ?? $i][] = $reading;
                    $visits[$this->units[$i] ?? $i] = $this->visits[$i] ?? '';
                }
            }
        }
        $values = [];
        foreach ($units as $unit => $readings) {
            $sum = $step = 0.0;
            $gain = 1.0;
            $atLeast = false;
            foreach ($readings as $reading) {
                $sum += $reading->value;
                $step = max($step, $reading->step);
                $atLeast = $atLeast || $reading->atLeast;
                $gain = abs(($reading->gain ?? 1.0) - 1) > abs($gain - 1) ? (float) $reading->gain : $gain;
            }
            $values[$unit] = new UnitValue($sum / \count($readings), $atLeast, $step, $gain, $visits[$unit]);
        }

        return $values;
    }

    /** @param \Closure(list<Reading>, int): bool $counts whether a run gives its unit a place */
    private function upTo(int $places, \Closure $counts): self
    {
        $seen = [];
        foreach ($this->runs as $i => $run) {
            if ($counts($run, $i)) {
                $seen[$this->units[$i] ?? $i] = true;
            }
            if (\count($seen) >= $places) {
                return $this->first($i + 1);
            }
        }

        return $this;
    }

    private function outcomes(int $i, Limits $limits, bool $pulls): RunOutcomes
    {
        return RunOutcomes::of($this->runs[$i], $limits, $pulls, $this->pulls[$i] ?? null, $this->takenHot);
    }

    /**
     * @param \Closure(int): ?RunOutcome $of a run by its place; null: it has none among them
     *
     * @return list<RunOutcome>
     */
    private function ofUnits(\Closure $of): array
    {
        $units = [];
        foreach (array_keys($this->runs) as $i) {
            $outcome = $of($i);
            if (null !== $outcome) {
                $unit = $this->units[$i] ?? $i;
                $units[$unit] = isset($units[$unit]) ? $units[$unit]->and($outcome) : $outcome;
            }
        }

        return array_values($units);
    }

    /** @param list<Reading> $run */
    private static function lift(array $run, LiftBy $by): ?float
    {
        $ends = [];
        foreach ($run as $reading) {
            if (Measure::Lift === $reading->measure) {
                $ends[] = $reading->value;
            }
        }

        return [] === $ends ? null : $by->of($ends);
    }
}
