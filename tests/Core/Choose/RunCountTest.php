<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\RunCount;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\RunOutcome;

/** Common practice: a part that needs a scraper, or takes coating along, did not let go; what nobody looked at says nothing. */
final class RunCountTest extends TestCase
{
    public function testAPlateThatNobodyLookedAtIsNotCalledUnharmed(): void
    {
        self::assertSame(RunOutcome::Unsaid, (new RunCount(1, true, Effort::Finger, null))->release());
        self::assertSame(RunOutcome::Unsaid, (new RunCount(1, true, null, false))->release());
        self::assertSame(RunOutcome::Unsaid, (new RunCount(1, true, null, null))->release());
    }

    public function testHarmOrAScraperAloneSaysThatItDidNotLetGo(): void
    {
        self::assertSame(RunOutcome::Failed, (new RunCount(1, true, null, true))->release());
        self::assertSame(RunOutcome::Failed, (new RunCount(1, true, Effort::Scraper, null))->release());
        self::assertSame(RunOutcome::Failed, (new RunCount(1, true, Effort::Loose, true))->release());
        self::assertSame(RunOutcome::Passed, (new RunCount(1, true, Effort::Flex, false))->release());
    }
}
