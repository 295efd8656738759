<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\CoolingTrace;
use Sitzplatz\Test\TemperatureSample;
use Sitzplatz\Tests\Core\Heat\BuildsStacks;

final class CoolingTraceTest extends TestCase
{
    use BuildsStacks;

    /** R 4.2: lm((T - 21)^-0.2 ~ t) on these samples meets (30 - 21)^-0.2 972.800769854 s after the last. */
    private const SAMPLES = [[0, 60.0], [10_000, 59.4], [20_000, 58.7], [30_000, 58.2], [40_000, 57.5], [50_000, 56.9], [60_000, 56.4]];

    public function testTheTemperatureOfAMomentLiesStraightBetweenTwoSamples(): void
    {
        $trace = self::trace(self::SAMPLES);
        self::assertEqualsWithDelta(58.875, $trace->celsiusAt(17_500) ?? 0.0, 1e-9);
        self::assertEqualsWithDelta(56.4, $trace->celsiusAt(62_000) ?? 0.0, 1e-9, 'The last sample is two seconds old.');
    }

    public function testAThermometerThatFellSilentSaysNothingOfTheMoment(): void
    {
        self::assertNull(self::trace(self::SAMPLES)->celsiusAt(71_000));
        self::assertNull(self::trace([[0, 60.0], [60_000, 50.0]])->celsiusAt(30_000), 'Nobody saw what was between.');
        self::assertNull(CoolingTrace::of([]));
    }

    public function testHowLongItStillTakesGoesByHowItHasCooled(): void
    {
        self::assertEqualsWithDelta(972.800769854, self::trace(self::SAMPLES)->secondsTo(30.0, 21.0) ?? 0.0, 1e-5);
        self::assertEqualsWithDelta(0.0, self::trace(self::SAMPLES)->secondsTo(58.0, 21.0) ?? 1.0, 1e-9, 'It is there.');
        // A bed of 3 mm aluminium under a steel sheet, here by small steps with the coefficients of a plate in still air (Incropera & DeWitt,
        // chapter 9, from memory): early on the time left is within 3.5 %, where the plain exponential is a tenth short.
        $bed = self::stack([['aluminium', 3], ['spring_steel', 0.5, 3e-4], ['pei', 0.15]]);
        foreach ([[60.0, 35.0, 60], [60.0, 35.0, 120], [105.0, 60.0, 60], [105.0, 60.0, 120]] as [$from, $to, $asked]) {
            $samples = [];
            $t = $from;
            for ($s = 0; $t > $to; ++$s) {
                $samples[] = [1000 * $s, $t];
                $t -= ($bed->top(20)->coefficientWM2K($t) + $bed->underside(20)->coefficientWM2K($t)) * ($t - 20) / ($bed->heatJK() / 0.0525);
            }
            $left = $s - $asked;
            self::assertEqualsWithDelta($left, self::trace(\array_slice($samples, 0, $asked + 1))->secondsTo($to, 20.0) ?? 0.0, 0.035 * $left, "$from after $asked s");
        }
    }

    public function testNobodyIsToldATimeThatIsNotKnown(): void
    {
        self::assertNull(self::trace(self::SAMPLES)->secondsTo(20.0, 21.0), 'The room is warmer.');
        self::assertNull(self::trace(\array_slice(self::SAMPLES, 0, 2))->secondsTo(30.0, 21.0), 'Two samples are no trend.');
        self::assertNull(self::trace([[0, 60.0], [10_000, 58.0], [20_000, 56.2], [30_000, 54.5]])->secondsTo(30.0, 21.0), 'Neither are four, however it falls.');
        self::assertNull(self::trace([[0, 60.0], [10_000, 59.8], [20_000, 59.6], [30_000, 59.4], [40_000, 59.2], [50_000, 59.1]])->secondsTo(30.0, 21.0), 'It has not fallen by a degree.');
        self::assertNotNull(self::trace([[0, 60.0], [10_000, 59.7], [20_000, 59.5], [30_000, 59.2], [40_000, 58.9]])->secondsTo(30.0, 21.0), 'Five samples over more than a degree are one.');
        self::assertNull(self::trace([[0, 60.0], [1000, 60.1], [2000, 60.0], [3000, 60.1], [4000, 60.0]])->secondsTo(30.0, 21.0), 'The heater is still on.');
        self::assertNull(self::trace([[0, 55.0], [10_000, 58.0], [20_000, 57.0], [30_000, 58.5], [40_000, 57.4]])->secondsTo(30.0, 21.0), 'It gets warmer.');
    }

    /** @param list<array{int, float}> $samples */
    private static function trace(array $samples): CoolingTrace
    {
        return CoolingTrace::of(array_map(static fn (array $each): TemperatureSample => new TemperatureSample(...$each), $samples))
            ?? throw new \LogicException('There are samples.');
    }
}
