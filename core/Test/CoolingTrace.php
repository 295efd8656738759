<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Statistics\StraightLine;

/** What a thermometer on the plate has shown since it is watched: how warm it was when the part let go, and when it will be cold enough. */
final readonly class CoolingTrace
{
    /** A sample as old as this says nothing of a moment any more (ours): a bed loses a degree in ten seconds at most. */
    private const SPEAKS_MS = 10_000;
    /** By so much of the past it is told how it goes on (ours). */
    private const FIT_MS = 90_000;
    /** Fewer samples, or a fall of less than this, tell nothing of how it goes on (ours). */
    private const FIT_SAMPLES = 5;
    private const FIT_FALL_K = 1.0;
    /** By which power above the first the loss goes with what it is above the air. */
    private const POWER = 0.2;

    /** @param non-empty-list<TemperatureSample> $samples in order of time */
    private function __construct(private array $samples)
    {
    }

    /** @param list<TemperatureSample> $samples in order of time; null if there are none */
    public static function of(array $samples): ?self
    {
        return [] === $samples ? null : new self($samples);
    }

    public function last(): TemperatureSample
    {
        return $this->samples[\count($this->samples) - 1];
    }

    /**
     * How warm it was, straight between two samples.
     *
     * @return float|null °C; null: no sample is near enough to the moment
     */
    public function celsiusAt(int $milliseconds): ?float
    {
        $before = $after = null;
        foreach ($this->samples as $sample) {
            if ($sample->milliseconds <= $milliseconds) {
                $before = $sample;
            } else {
                $after = $sample;
                break;
            }
        }
        if (null === $before || null === $after) {
            $near = $before ?? $after;

            return null === $near || abs($near->milliseconds - $milliseconds) > self::SPEAKS_MS ? null : $near->celsius;
        }
        $span = $after->milliseconds - $before->milliseconds;

        return $span > 2 * self::SPEAKS_MS ? null : $before->celsius + ($milliseconds - $before->milliseconds) / $span * ($after->celsius - $before->celsius);
    }

    /**
     * How long it still takes to cool to a temperature. A warm plate in still air gives off heat by convection, which goes with the
     * power 5/4 of what it is above the air (Incropera & DeWitt, chapter 9, from memory), and by radiation, which goes nearly with the
     * first: together about 1.2. So what is above the air, to the power −0.2, rises in a straight line, whose slope the last minute
     * and a half shows (least squares). By the plain exponential the time left came out a tenth short.
     *
     * @return float|null seconds, 0 where it is there; null: it does not get there, or does not yet tell
     */
    public function secondsTo(float $celsius, float $airC): ?float
    {
        $now = $this->last();
        if ($now->celsius <= $celsius) {
            return 0.0;
        }
        if ($celsius <= $airC) {
            return null;
        }
        $points = [];
        $warmest = $now->celsius;
        foreach ($this->samples as $sample) {
            if ($sample->milliseconds >= $now->milliseconds - self::FIT_MS && $sample->celsius > $airC) {
                $points[] = [($sample->milliseconds - $now->milliseconds) / 1000, ($sample->celsius - $airC) ** -self::POWER];
                $warmest = max($warmest, $sample->celsius);
            }
        }
        if (\count($points) < self::FIT_SAMPLES || $warmest - $now->celsius < self::FIT_FALL_K) {
            return null;
        }
        $line = StraightLine::of($points);

        return null === $line || $line->slope <= 0.0 ? null : max(0.0, (($celsius - $airC) ** -self::POWER - $line->level) / $line->slope);
    }
}
