<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Keep\SeenSince;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Outcome;

final class SeenSinceTest extends TestCase
{
    public function testLongerAndFullerPrintsStandBesideWhatWasSigned(): void
    {
        $seen = SeenSince::of([self::job(370, 4, 24), self::job(25, 1, 18), self::job(null, 1, 20), self::job(900, 9, 30, Outcome::CameOff)], 24.0, 1);
        self::assertSame([4, 3, 4], [$seen?->prints, $seen?->cameTrue, $seen?->mostParts], 'What came off shows nothing of a long print.');
        self::assertEqualsWithDelta([370.0, 18.0, 24.0], [$seen?->longestMinutes, $seen?->roomLowC, $seen?->roomHighC], 1e-9);
        self::assertSame('seen.prints_beyond', $seen?->sentence->key);
    }

    public function testWithinWhatWasSignedNothingIsWider(): void
    {
        self::assertSame('seen.prints', SeenSince::of([self::job(20, 1, 20)], 24.0, 1)?->sentence->key);
        $unmeasured = SeenSince::of([self::job(null, 1, 20)], null, 1);
        self::assertNull($unmeasured?->longestMinutes, 'Nobody measured it.');
        self::assertNull(SeenSince::of([], 24.0, 1));
    }

    /** @return array{answer: JobAnswer, parts: int, roomC: float} */
    private static function job(?float $minutes, int $parts, float $roomC, Outcome $outcome = Outcome::Held): array
    {
        return ['answer' => new JobAnswer($outcome, $outcome->held() ? Effort::Finger : null, false, $minutes), 'parts' => $parts, 'roomC' => $roomC];
    }
}
