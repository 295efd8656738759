<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\WhatNext;
use Sitzplatz\Tests\Core\Words\Said;

/** What comes next for a comparison. */
final class WhatNextTest extends TestCase
{
    #[TestWith([ComparisonStatus::Draft, 0, 0, WhatNext::Start])]
    #[TestWith([ComparisonStatus::Running, 4, 1, WhatNext::GoOn])]
    #[TestWith([ComparisonStatus::Running, 0, 1, WhatNext::GoOn])]
    #[TestWith([ComparisonStatus::Running, 4, 0, WhatNext::NextRun])]
    #[TestWith([ComparisonStatus::Running, 0, 0, WhatNext::Verdict])]
    #[TestWith([ComparisonStatus::Closed, 0, 0, WhatNext::Nothing])]
    public function testByHowFarItsRunsAre(ComparisonStatus $status, int $planned, int $running, WhatNext $next): void
    {
        self::assertSame($next, WhatNext::of($status, $planned, $running));
    }

    public function testItSaysHowManyAreToGo(): void
    {
        self::assertSame('what_next.next_run planned=4', Said::of(WhatNext::NextRun->words(4, 0)));
        self::assertSame('what_next.go_on running=1 planned=3', Said::of(WhatNext::GoOn->words(3, 1)));
    }
}
