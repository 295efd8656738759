<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * How strong a heater has to be: as practice has it for the temperature (HeaterCheck), and so that the display is ready in a given time,
 * by the sum of warming the stack up.
 */
final readonly class HeaterSize
{
    private const MOST_W_CM2 = 50.0;
    private const WITHIN = 1e-3;

    private function __construct(
        public float $watts,
        /** By practice for this temperature, W. */
        public float $practiceW,
        /** To be there in time, W; null: no heater is that quick. */
        public ?float $inTimeW,
        /** Current, what switches it, and cautions; of a heater of just these watts. */
        public HeaterCheck $check,
    ) {
    }

    /**
     * @param float      $minutes until the display is ready
     * @param float|null $volts   there are; null: not said
     * @param float|null $limitA  of what switches it
     *
     * @throws BadHeat if a figure cannot be
     */
    public static function of(Stack $stack, float $displayC, float $roomC, float $minutes, ?float $volts, ?float $limitA): self
    {
        $minutes > 0 || throw BadHeat::notPositive('minutes');
        $areaCm2 = $stack->widthMm * $stack->depthMm / 100;
        $practice = $areaCm2 * HeaterCheck::neededWattsPerCm2($displayC);
        $inTime = self::inTime($stack, $displayC, $roomC, 60 * $minutes, $areaCm2);
        $watts = max($practice, $inTime ?? 0.0, 1e-3);

        return new self($watts, $practice, $inTime, HeaterCheck::of($watts, $areaCm2, $displayC, $volts, $limitA));
    }

    public function words(): Sentence
    {
        return Sentence::of(
            null === $this->inTimeW ? 'heater.never_in_time' : ($this->inTimeW > $this->practiceW ? 'heater.for_the_time' : 'heater.for_the_heat'),
            watts: Quantity::watts($this->watts),
            practice: Quantity::watts($this->practiceW),
        );
    }

    /** @throws BadHeat if a figure cannot be */
    private static function inTime(Stack $stack, float $displayC, float $roomC, float $seconds, float $areaCm2): ?float
    {
        $ready = static fn (float $watts): float => HeatUp::of($stack, $displayC, $roomC, $watts)->displayReadySeconds ?? \INF;
        [$low, $high] = [0.0, self::MOST_W_CM2 * $areaCm2];
        if ($ready($high) > $seconds) {
            return null;
        }
        // Halved: too weak a heater is never there, so there is no slope to go by.
        while ($high - $low > self::WITHIN * $high) {
            $middle = ($low + $high) / 2;
            $ready($middle) > $seconds ? $low = $middle : $high = $middle;
        }

        return $high;
    }
}
