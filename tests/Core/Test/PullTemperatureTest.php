<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\PullTemperature;
use Sitzplatz\Test\Reading;

/** A cold pull at 91 °C of what lets go below 60 counted as cold; nearer to letting go than to the bed is ours. */
final class PullTemperatureTest extends TestCase
{
    public function testItWasColdNearerToLettingGoThanToTheBed(): void
    {
        self::assertEqualsWithDelta(75.0, PullTemperature::coldUpToC(60.0, 90.0), 1e-12);
        self::assertSame([null, null, null, null], [PullTemperature::coldUpToC(60.0, 60.0), PullTemperature::coldUpToC(60.0, 50.0), PullTemperature::coldUpToC(null, 90.0), PullTemperature::coldUpToC(60.0, null)]);
    }

    public function testAWarmPullIsLeftOutAndNothingElse(): void
    {
        [$cold, $warm, $lift] = [new Reading(Measure::PullCold, 4.0), new Reading(Measure::ReleaseTemperature, 91.0), new Reading(Measure::Lift, 0.1)];
        self::assertSame([$warm, $lift], PullTemperature::sorted([$cold, $warm, $lift], 75.0));
        self::assertSame([$cold, $warm, $lift], PullTemperature::sorted([$cold, $warm, $lift], 95.0));
    }

    public function testAColdPullThatWasTakenWarmContradictsItself(): void
    {
        $cold = new Reading(Measure::PullCold, 4.0);
        $at = static fn (float $celsius): Reading => new Reading(Measure::ReleaseTemperature, $celsius);
        self::assertTrue(PullTemperature::contradicts([$cold, $at(91.0)], 75.0));
        self::assertTrue(PullTemperature::contradicts([$at(91.0), $cold], 75.0), 'In whatever order it was entered.');
        self::assertFalse(PullTemperature::contradicts([$cold, $at(75.0)], 75.0));
        self::assertFalse(PullTemperature::contradicts([$cold, $at(91.0)], null), 'Nobody knows from where on it is warm.');
        self::assertFalse(PullTemperature::contradicts([$cold, new Reading(Measure::PullCold, 99.0)], 75.0), 'A force is no temperature.');
        self::assertFalse(PullTemperature::contradicts([new Reading(Measure::PullHot, 30.0), $at(91.0)], 75.0));
        self::assertFalse(PullTemperature::contradicts([], 75.0));
    }
}
