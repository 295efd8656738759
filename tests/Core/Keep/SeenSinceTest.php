<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Keep\Scope;
use Sitzplatz\Keep\SeenSince;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

final class SeenSinceTest extends TestCase
{
    public function testLongerAndFullerPrintsStandBesideWhatWasSigned(): void
    {
        $seen = SeenSince::of([self::job(370, 4, 24), self::job(25, 1, 18), self::job(null, 1, 20), self::job(900, 9, 30, Outcome::CameOff)], self::signed(24.0, 1));
        self::assertSame([4, 3, 4], [$seen?->prints, $seen?->cameTrue, $seen?->mostParts], 'What came off shows nothing of a long print.');
        self::assertEqualsWithDelta([370.0, 18.0, 24.0], [$seen?->longestMinutes, $seen?->roomLowC, $seen?->roomHighC], 1e-9);
        self::assertSame('seen.prints_beyond', $seen?->sentence->key);
    }

    public function testWithinWhatWasSignedNothingIsWider(): void
    {
        self::assertSame('seen.prints', SeenSince::of([self::job(20, 1, 20)], self::signed(24.0, 1))?->sentence->key);
        $unmeasured = SeenSince::of([self::job(null, 1, 20)], self::signed(null, 1));
        self::assertNull($unmeasured?->longestMinutes, 'Nobody measured it.');
        self::assertNull(SeenSince::of([], self::signed(24.0, 1)));
    }

    public function testOtherRoomsAreSaidOfWhatHeldAlone(): void
    {
        $colder = SeenSince::of([self::job(20, 1, 12), self::job(20, 1, 31, Outcome::CameOff)], self::signed(24.0, 1));
        self::assertSame('seen.rooms', self::beyond($colder)[0] ?? null);
        self::assertEqualsWithDelta([12.0, 12.0], [$colder?->roomLowC, $colder?->roomHighC], 1e-9);
        $none = SeenSince::of([self::job(20, 1, 31, Outcome::CameOff)], self::signed(24.0, 1));
        self::assertSame([], self::beyond($none), 'What came off in a warm room shows nothing of warm rooms.');
    }

    public function testAPrintInARoomThatNobodyMeasuredWidensNoRoom(): void
    {
        $seen = SeenSince::of([self::job(20, 1, null), self::job(20, 1, 21)], self::signed(24.0, 1));
        self::assertEqualsWithDelta([21.0, 21.0], [$seen?->roomLowC, $seen?->roomHighC], 1e-12);
        $unmeasured = SeenSince::of([self::job(20, 1, null)], self::signed(24.0, 1));
        self::assertSame([null, null, 'seen.prints'], [$unmeasured?->roomLowC, $unmeasured?->roomHighC, $unmeasured?->sentence->key]);
    }

    /** @return list<string> */
    private static function beyond(?SeenSince $seen): array
    {
        $listing = $seen?->sentence->with['beyond'] ?? null;
        self::assertInstanceOf(Listing::class, $listing);

        return array_values(array_map(static fn (mixed $each): string => $each instanceof Sentence ? $each->key : '', $listing->items));
    }

    private static function signed(?float $longest, int $most): Scope
    {
        return new Scope('pla', null, 'any', null, 'any plate', 'pei_textured', 'p', 'North bay', 18.0, 25.0, false, $longest, $most);
    }

    /** @return array{answer: JobAnswer, parts: int, roomC: ?float} */
    private static function job(?float $minutes, int $parts, ?float $roomC, Outcome $outcome = Outcome::Held): array
    {
        return ['answer' => new JobAnswer($outcome, $outcome->held() ? Effort::Finger : null, false, $minutes), 'parts' => $parts, 'roomC' => $roomC];
    }
}
