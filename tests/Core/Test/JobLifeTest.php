<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobLife;
use Sitzplatz\Test\Life\JobState;
use Sitzplatz\Test\Life\JobStatus;
use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\Outcome;

final class JobLifeTest extends TestCase
{
    public function testTwoTouchesAnswerIt(): void
    {
        self::assertTrue(JobLife::answer(new JobState(), Outcome::Held, Effort::Finger, false)->cameTrue());
        self::assertFalse(JobLife::answer(new JobState(), Outcome::Held, Effort::Scraper, false)->cameTrue(), 'A scraper is no clean release.');
        self::assertFalse(JobLife::answer(new JobState(), Outcome::Held, Effort::Finger, true)->cameTrue());
        self::assertFalse(JobLife::answer(new JobState(), Outcome::Lifted, Effort::Finger, false)->cameTrue());
        $off = JobLife::answer(new JobState(), Outcome::CameOff, Effort::Finger, false);
        self::assertNull($off->effort, 'What came off by itself was not taken off.');
        self::assertSame('job_life.say_effort', self::refused(static fn () => JobLife::answer(new JobState(), Outcome::Held, null, false)));
    }

    public function testItIsAnsweredOnce(): void
    {
        foreach ([JobStatus::Answered, JobStatus::Dropped] as $status) {
            self::assertSame('job_life.'.$status->value, self::refused(static fn () => JobLife::answer(new JobState($status), Outcome::CameOff, null, false)));
            self::assertSame('job_life.'.$status->value, self::refused(static fn () => JobLife::drop(new JobState($status))));
        }
    }

    /** Common practice: a long print ends at night; the touch in the morning is no measure of it. */
    public function testOnlyMeasuredMinutesCount(): void
    {
        $minutes = static fn (?float $planned, float $ago, ?float $reported): ?float => JobLife::answer(new JobState(JobStatus::Open, $planned, $ago, $reported), Outcome::CameOff, null, false)->minutes;
        self::assertEqualsWithDelta(351.0, $minutes(360, 900, 351), 1e-9, 'The printer knows best.');
        self::assertEqualsWithDelta(360.0, $minutes(360, 900, null), 1e-9, 'No longer than planned.');
        self::assertEqualsWithDelta(200.0, $minutes(360, 200, null), 1e-9, 'No longer than since it was begun.');
        self::assertNull($minutes(null, 900, null), 'Nobody knows when it ended.');
    }

    private static function refused(\Closure $command): string
    {
        try {
            $command();
        } catch (Refusal $refusal) {
            return $refusal->sentence->key;
        }
        self::fail('It was not refused.');
    }
}
