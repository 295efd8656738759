<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\UsualReadings;

/** What nobody is asked about; common practice and ours, wide enough for every reading of a real bench. */
final class UsualReadingsTest extends TestCase
{
    public function testWhatABenchReadsIsUsualAndASlipOfTheFingerIsNot(): void
    {
        $usual = UsualReadings::of(new Limits(20, 12, Effort::Flex, 0.1), 105, 20, 25);
        $holds = static fn (Measure $measure, float $value): bool => $value >= $usual[$measure->value][0] && $value <= $usual[$measure->value][1];
        // Trade notes, section 8: 0.1 mm is good and 0.2 to 0.9 mm bad; all of it is read.
        foreach ([[Measure::Lift, 0.9, 9.0], [Measure::PullHot, 34.0, 340.0], [Measure::ReleaseTemperature, 34.0, 340.0], [Measure::PrintMinutes, 24.0, 240.0]] as [$measure, $read, $slipped]) {
            self::assertTrue($holds($measure, $read), $measure->value);
            self::assertFalse($holds($measure, $slipped), "$measure->value with a digit too many");
        }
        self::assertFalse($holds(Measure::ReleaseTemperature, 3.4), 'Colder than the room.');
        // Five degrees that a thermometer may be off, below the room and above the bed; nothing warmer than where it is to be pulled cold.
        self::assertSame([15.0, 110.0], $usual[Measure::ReleaseTemperature->value]);
        self::assertSame([15.0, 25.0], UsualReadings::of(new Limits(20, 12, Effort::Flex), null, 20, 25)[Measure::ReleaseTemperature->value], 'An unheated bed is as warm as its room.');
        self::assertSame([15.0, 45.0], UsualReadings::of(new Limits(20, 12, Effort::Flex), 105, 20, 25, 45.0)[Measure::ReleaseTemperature->value]);
        // A plan that asks for much is not asked about what it asks for.
        self::assertSame([0.0, 500.0], UsualReadings::of(new Limits(50, null, Effort::Flex), null, 20, 25)[Measure::PullHot->value]);
    }
}
