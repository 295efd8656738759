<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Test\Effort;

/** Common practice: a part that needs a scraper, or takes coating along, did not let go; what nobody looked at says nothing. */
final class RunCountTest extends TestCase
{
    public function testAPlateThatNobodyLookedAtIsNotCalledUnharmed(): void
    {
        self::assertNull((new RunCount(1, true, Effort::Finger, null))->clean());
        self::assertNull((new RunCount(1, true, null, false))->clean());
        self::assertNull((new RunCount(1, true, null, null))->clean());
    }

    public function testHarmOrAScraperAloneSaysThatItDidNotLetGo(): void
    {
        self::assertFalse((new RunCount(1, true, null, true))->clean());
        self::assertFalse((new RunCount(1, true, Effort::Scraper, null))->clean());
        self::assertFalse((new RunCount(1, true, Effort::Loose, true))->clean());
        self::assertTrue((new RunCount(1, true, Effort::Flex, false))->clean());
    }
}
