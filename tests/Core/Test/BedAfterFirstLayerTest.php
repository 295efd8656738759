<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\BedAfterFirstLayer;

/** Trade notes, section 11 (common practice): ABS whose bed went from 93 to 50 °C lifted badly, 93 throughout held. */
final class BedAfterFirstLayerTest extends TestCase
{
    public function testABedThatIsLoweredByMuchOrSwitchedOffIsACaution(): void
    {
        self::assertSame('caution.bed_lowered', BedAfterFirstLayer::caution(93.0, 50.0, false)?->key);
        self::assertSame('caution.bed_off', BedAfterFirstLayer::caution(60.0, null, false)?->key);
    }

    public function testAFewDegreesAndAWarmerBedAreNone(): void
    {
        self::assertSame('caution.bed_lowered_board', BedAfterFirstLayer::caution(93.0, 50.0, true)?->key, 'Only a circuit board bows.');
        self::assertNull(BedAfterFirstLayer::caution(93.0, 93.0, false));
        self::assertNull(BedAfterFirstLayer::caution(65.0, 60.0, false));
        self::assertNull(BedAfterFirstLayer::caution(100.0, 110.0, false));
        self::assertNull(BedAfterFirstLayer::caution(null, null, false));
    }
}
