<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

/**
 * A solvent that evaporates evenly into a room with some change of air, and a near field about the jar that exchanges its air
 * with the room (well-mixed room and two zones: Nicas 1996, from memory). Concentrations in ppm at 25 °C and 1 atm.
 */
final readonly class VapourInRoom
{
    private const LITRES_PER_MOLE = 24.45;
    private const SHORT_MINUTES = 15.0;
    private const SHIFT_MINUTES = 480.0;

    /** ppm that the room would grow by each minute without any change of air. */
    private float $risePpm;
    /** Of its air that a room changes each minute. */
    private float $changes;
    /** What the near field has above the room while it evaporates. */
    private float $nearPpm;

    public function __construct(
        private Solvent $solvent,
        float $millilitres,
        float $roomM3,
        private float $minutes,
        float $changesPerHour,
        /* Air that the near field exchanges with the room, m³/min. */
        float $nearM3PerMinute,
    ) {
        $ppm = $millilitres * $solvent->density() / $solvent->molarMassG() * self::LITRES_PER_MOLE / $roomM3 * 1_000;
        $this->risePpm = $ppm / $minutes;
        $this->changes = $changesPerHour / 60;
        $this->nearPpm = $ppm * $roomM3 / $minutes / $nearM3PerMinute;
    }

    /** If all of it were in the room and none had left. */
    public function worstPpm(): float
    {
        return $this->capped($this->risePpm * $this->minutes);
    }

    /** The highest in the room: when the last of it has gone into the air. */
    public function peakPpm(): float
    {
        return $this->capped($this->roomAt($this->minutes));
    }

    /** At the jar when it is worst. */
    public function nearPeakPpm(): float
    {
        return $this->capped($this->roomAt($this->minutes) + $this->nearPpm);
    }

    /** At the jar, the worst mean of a quarter of an hour. */
    public function shortTimePpm(): float
    {
        $worst = 0.0;
        // It begins some time before the end of evaporating: the worst beginning is looked for.
        for ($i = 0; $i <= 100; ++$i) {
            $from = ($this->minutes < self::SHORT_MINUTES ? $this->minutes : $this->minutes - self::SHORT_MINUTES) * ($i / 100);
            $worst = max($worst, $this->mean($from, $from + self::SHORT_MINUTES, true));
        }

        return $this->capped($worst);
    }

    /** In the room over a shift of eight hours. */
    public function shiftPpm(): float
    {
        return $this->capped($this->mean(0.0, self::SHIFT_MINUTES, false));
    }

    /** At the jar over a shift of eight hours. */
    public function nearShiftPpm(): float
    {
        return $this->capped($this->mean(0.0, self::SHIFT_MINUTES, true));
    }

    /** Of the least that can be lit, at the jar. */
    public function flammableShare(): float
    {
        return $this->nearPeakPpm() / 1e6 / $this->solvent->lowerExplosiveLimit();
    }

    private function mean(float $from, float $until, bool $near): float
    {
        $room = ($this->sum($until) - $this->sum($from)) / ($until - $from);
        $evaporating = max(0.0, min($until, $this->minutes) - min($from, $this->minutes));

        return $room + ($near ? $this->nearPpm * $evaporating / ($until - $from) : 0.0);
    }

    private function roomAt(float $minute): float
    {
        return $this->changes < 1e-9 ? $this->risePpm * $minute : $this->risePpm / $this->changes * (1 - exp(-$this->changes * $minute));
    }

    /** ppm times minutes in the room until then. */
    private function sum(float $until): float
    {
        $rising = min($until, $this->minutes);
        $after = max(0.0, $until - $this->minutes);
        if ($this->changes < 1e-9) {
            return $this->risePpm * $rising ** 2 / 2 + $this->roomAt($this->minutes) * $after;
        }

        return $this->risePpm / $this->changes * ($rising - (1 - exp(-$this->changes * $rising)) / $this->changes)
            + $this->roomAt($this->minutes) * (1 - exp(-$this->changes * $after)) / $this->changes;
    }

    private function capped(float $ppm): float
    {
        return min($ppm, $this->solvent->saturationPpm());
    }
}
