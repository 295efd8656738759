<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\Fact\Marked;
use Sitzplatz\Test\Life\JobLife;
use Sitzplatz\Test\Life\JobState;
use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Tests\Core\Words\Said;

final class JobMarksTest extends TestCase
{
    public function testFailedPartsAndHarmAreMarkedWithTheAnswer(): void
    {
        $marks = JobLife::marks([self::mark(MarkKind::Failed, 0.25, 0.5, 1), self::mark(MarkKind::Damage, 1.0, 0.0, null)], 2, Outcome::Lifted);
        self::assertSame([[MarkKind::Failed, 1], [MarkKind::Damage, null]], array_map(static fn (Marked $mark): array => [$mark->kind, $mark->place], $marks));
        self::assertCount(1, JobLife::marks([self::mark(MarkKind::Torn, 0.5, 0.5, null)], 1, Outcome::Held), 'What held may tear the coat off.');
        self::assertSame([], JobLife::marks([], 1, Outcome::Held));
    }

    public function testAPrintWithAMarkOfHarmHarmedThePlate(): void
    {
        $damaged = static fn (MarkKind $kind, bool $said): bool => JobLife::answer(new JobState(), Outcome::Held, Effort::Finger, $said, JobLife::marks(
            [self::mark($kind, 0.5, 0.5, null)],
            1,
            Outcome::Held,
        ))->damaged;
        self::assertTrue($damaged(MarkKind::Damage, false), 'Marked and not said is harm.');
        self::assertTrue($damaged(MarkKind::Torn, true), 'Said and not marked is harm.');
        self::assertFalse($damaged(MarkKind::Torn, false), 'A torn coat is no harm of the plate.');
    }

    /** @return iterable<string, array{array{kind: MarkKind, x: float, y: float, place: int|null}, Outcome, string}> */
    public static function bad(): iterable
    {
        yield 'left of the plate' => [self::mark(MarkKind::Damage, -0.01, 0.5, null), Outcome::Held, 'run.mark_off_the_plate'];
        yield 'behind it' => [self::mark(MarkKind::Damage, 0.5, 1.01, null), Outcome::Held, 'run.mark_off_the_plate'];
        yield 'no such part' => [self::mark(MarkKind::Failed, 0.5, 0.5, 3), Outcome::CameOff, 'run.mark_off_the_plate'];
        yield 'part nought' => [self::mark(MarkKind::Failed, 0.5, 0.5, 0), Outcome::CameOff, 'run.mark_off_the_plate'];
        yield 'failed where all held' => [self::mark(MarkKind::Failed, 0.5, 0.5, 1), Outcome::Held, 'run.mark_all_held'];
    }

    /** @param array{kind: MarkKind, x: float, y: float, place: int|null} $mark */
    #[DataProvider('bad')]
    public function testWhatCannotBeIsRefused(array $mark, Outcome $outcome, string $why): void
    {
        try {
            JobLife::marks([$mark], 2, $outcome);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame($why, Said::of($refusal->sentence));
        }
    }

    /** @return array{kind: MarkKind, x: float, y: float, place: int|null} */
    private static function mark(MarkKind $kind, float $x, float $y, ?int $place): array
    {
        return ['kind' => $kind, 'x' => $x, 'y' => $y, 'place' => $place];
    }
}
