<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Completeness;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\Reading;

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
     */
    public function __construct(
        public string $name,
        public array $runs,
        public ?array $units = null,
        public ?array $visits = null,
        public bool $takenHot = false,
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
            $values[] = new UnitValue($sum / \count($readings), $atLeast, $step, $gain, $visits[$unit]);
        }

        return $values;
    }

    /** The runs up to the one that gave so many units a value of the measure: what was known at that look. */
    public function upTo(Measured $measure, int $values): self
    {
        $seen = [];
        foreach ($this->runs as $i => $run) {
            foreach ($run as $reading) {
                if ($reading->measure === $measure) {
                    $seen[$this->units[$i] ?? $i] = true;
                }
            }
            if (\count($seen) >= $values) {
                return new self(
                    $this->name,
                    \array_slice($this->runs, 0, $i + 1),
                    null === $this->units ? null : \array_slice($this->units, 0, $i + 1),
                    null === $this->visits ? null : \array_slice($this->visits, 0, $i + 1),
                    $this->takenHot,
                );
            }
        }

        return $this;
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
     * Whether each unit held: to the end of the print, with no more lift than allowed, and, where pulls are counted, with a
     * hot pull that reaches its limit.
     *
     * @param bool $pulls whether a pull below the limit is a failure by itself
     *
     * @return list<bool|null> null: a lower bound, or a scale that is off, leaves it open; units that do not say it are left out
     */
    public function holdOutcomes(Limits $limits, bool $pulls): array
    {
        return $this->outcomes(static function (array $run) use ($limits, $pulls): array {
            $outcomes = [];
            foreach ($run as $reading) {
                if (Measure::Held === $reading->measure) {
                    $outcomes[] = $reading->value > 0.5;
                } elseif ($pulls && null !== $limits->hotPullAtLeastN && Measure::PullHot === $reading->measure) {
                    $open = $reading->atLeast || $reading->high() >= $limits->hotPullAtLeastN;
                    $outcomes[] = $reading->low() >= $limits->hotPullAtLeastN ? true : ($open ? null : false);
                }
            }
            if ([] === $outcomes) {
                return [];
            }
            if (null !== $limits->liftAtMostMm && !\in_array(false, $outcomes, true)) {
                $lift = self::lift($run, $limits->liftBy);

                return null === $lift ? [] : [...$outcomes, $lift <= $limits->liftAtMostMm];
            }

            return $outcomes;
        });
    }

    /**
     * Whether each unit that was taken off came off well: not harder than allowed, the plate unharmed, and, where pulls are
     * counted, with a cold pull within its limit.
     *
     * @return list<bool|null> null: a lower bound, or a scale that is off, leaves it open; units that do not say all of it are left out
     */
    public function releaseOutcomes(Limits $limits, bool $pulls): array
    {
        return $this->outcomes(function (array $run) use ($limits, $pulls): array {
            $outcomes = [];
            $effort = $damage = $cold = false;
            foreach ($run as $reading) {
                if (Measure::Effort === $reading->measure) {
                    $effort = true;
                    $outcomes[] = $reading->value <= $limits->effortAtMost->value;
                } elseif (Measure::Damage === $reading->measure) {
                    $damage = true;
                    $outcomes[] = $reading->value < 0.5;
                } elseif ($pulls && null !== $limits->coldPullAtMostN && $this->releasePull() === $reading->measure) {
                    $cold = true;
                    $open = $reading->atLeast || $reading->high() > $limits->coldPullAtMostN;
                    $outcomes[] = $reading->low() > $limits->coldPullAtMostN ? false : ($open ? null : true);
                }
            }
            if (\in_array(false, $outcomes, true)) {
                return [false];
            }

            return $effort && $damage && ($cold || !$pulls || null === $limits->coldPullAtMostN) ? $outcomes : [];
        });
    }

    /** Runs that were taken off after cooling and do not say all that counts of their release. */
    public function unsaid(): int
    {
        return \count(array_filter($this->runs, static function (array $run): bool {
            $lacking = Completeness::lacking($run);

            return \in_array(Measure::Effort, $lacking, true) || \in_array(Measure::Damage, $lacking, true);
        }));
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

    /**
     * @param \Closure(list<Reading>): list<bool|null> $of a run; none: it says nothing
     *
     * @return list<bool|null>
     */
    private function outcomes(\Closure $of): array
    {
        $units = [];
        foreach ($this->runs as $i => $run) {
            foreach ($of($run) as $outcome) {
                $units[$this->units[$i] ?? $i][] = $outcome;
            }
        }

        return array_values(array_map(
            static fn (array $each): ?bool => \in_array(false, $each, true) ? false : (\in_array(null, $each, true) ? null : true),
            $units,
        ));
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
