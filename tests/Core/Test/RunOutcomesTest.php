<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;

/** How runs of a bench end (common practice: a part that came off has failed whatever else is known; what nobody said is no success). */
final class RunOutcomesTest extends TestCase
{
    /** @return iterable<string, array{string, ?PullKind, ?RunOutcome, ?RunOutcome, ?RunOutcome, ?RunOutcome}> readings, kind, hold and release by counts, and where pulls are judged by themselves */
    public static function ends(): iterable
    {
        [$passed, $failed, $open, $unsaid] = [RunOutcome::Passed, RunOutcome::Failed, RunOutcome::Open, RunOutcome::Unsaid];
        yield 'pulled hot, strong' => ['held 1, hot 25', null, $passed, null, $passed, null];
        yield 'pulled hot, weak' => ['held 1, hot 19.9', null, $failed, null, $passed, null];
        yield 'at the limit' => ['held 1, hot 20', null, $passed, null, $passed, null];
        yield 'at least 3 N hot' => ['held 1, hot 3+', null, $open, null, $passed, null];
        yield 'at least 20 N hot' => ['held 1, hot 20+', null, $passed, null, $passed, null];
        yield 'a step of the scale too near' => ['held 1, hot 20.04/0.1', null, $open, null, $passed, null];
        yield 'and half a step off' => ['held 1, hot 20.05/0.1', null, $passed, null, $passed, null];
        yield 'by a scale that shows a tenth too much' => ['held 1, hot 21*0.9', null, $open, null, $passed, null];
        yield 'the hot pull was never taken' => ['held 1', PullKind::Hot, $unsaid, $unsaid, $passed, $unsaid];
        yield 'nor how it was to be taken off' => ['held 1', null, $unsaid, $unsaid, $passed, $unsaid];
        yield 'taken off cold instead' => ['held 1, effort 1, damage 0', PullKind::Hot, $unsaid, $unsaid, $passed, $passed];
        yield 'pulled cold, easily' => ['held 1, cold 4, effort 1, damage 0', null, $passed, $passed, $passed, $passed];
        yield 'pulled cold, hard' => ['held 1, cold 12.1, effort 1, damage 0', null, $passed, $failed, $passed, $passed];
        yield 'at least 11.9 N cold' => ['held 1, cold 11.9+, effort 1, damage 0', null, $passed, $open, $passed, $passed];
        yield 'at least 13 N cold' => ['held 1, cold 13+, effort 1, damage 0', null, $passed, $failed, $passed, $passed];
        yield 'the cold pull was never taken' => ['held 1, effort 1, damage 0', PullKind::Cold, $passed, $unsaid, $passed, $passed];
        yield 'nobody said whether the plate was harmed' => ['held 1, cold 4, effort 1', null, $passed, $unsaid, $passed, $unsaid];
        yield 'nobody said how hard it was' => ['held 1, cold 4, damage 0', null, $passed, $unsaid, $passed, $unsaid];
        yield 'a scraper, whatever else is missing' => ['held 1, effort 3', PullKind::Cold, $passed, $failed, $passed, $failed];
        yield 'the plate was harmed hot' => ['held 1, hot 30, damage 1', null, $passed, $failed, $passed, $failed];
        yield 'hard to take off hot says nothing' => ['held 1, hot 30, effort 4, damage 0', null, $passed, null, $passed, null];
        yield 'came off in the print' => ['held 0', PullKind::Cold, $failed, null, $failed, null];
        yield 'lifted, and came off easily' => ['held 0, cold 1, effort 0, damage 0', null, $failed, null, $failed, null];
        yield 'lifted, and bonded all the same' => ['held 0, cold 1, effort 4, damage 0', null, $failed, $failed, $failed, $failed];
        yield 'nobody said whether it held' => ['hot 30', null, $unsaid, null, $unsaid, null];
        yield 'nobody said anything' => ['', PullKind::Cold, $unsaid, $unsaid, $unsaid, $unsaid];
    }

    #[DataProvider('ends')]
    public function testEnd(string $said, ?PullKind $pull, ?RunOutcome $hold, ?RunOutcome $release, ?RunOutcome $heldBeside, ?RunOutcome $releasedBeside): void
    {
        $limits = new Limits(20, 12, Effort::Flex);
        $counted = RunOutcomes::of(self::readings($said), $limits, true, $pull);
        self::assertSame([$hold, $release], [$counted->hold, $counted->release]);
        $beside = RunOutcomes::of(self::readings($said), $limits, false, $pull);
        self::assertSame([$heldBeside, $releasedBeside], [$beside->hold, $beside->release]);
    }

    public function testAPartThatIsTakenOffHotComesOffByItsHotPull(): void
    {
        $of = static fn (string $said): RunOutcomes => RunOutcomes::of(self::readings($said), new Limits(20, 12, Effort::Flex), true, PullKind::Hot, true);
        self::assertSame([RunOutcome::Passed, RunOutcome::Passed], [$of('held 1, hot 5, effort 1, damage 0')->hold, $of('held 1, hot 5, effort 1, damage 0')->release]);
        self::assertSame(RunOutcome::Failed, $of('held 1, hot 15, effort 1, damage 0')->release);
        self::assertSame(RunOutcome::Unsaid, $of('held 1, effort 1, damage 0')->release);
    }

    public function testALiftDecidesWhereItHasALimit(): void
    {
        $of = static fn (string $said): RunOutcome => RunOutcomes::of(self::readings($said), new Limits(null, null, Effort::Flex, 0.3, LiftBy::WorstEnd), true)->hold;
        self::assertSame([RunOutcome::Passed, RunOutcome::Failed, RunOutcome::Unsaid], [$of('held 1, lift 0.3, lift 0'), $of('held 1, lift 0.4, lift 0'), $of('held 1')]);
        self::assertSame([RunOutcome::Failed, RunOutcome::Failed], [$of('held 0, lift 0'), $of('lift 0.9')], 'A failure is one whatever else is known.');
    }

    /** @return list<Reading> */
    private static function readings(string $said): array
    {
        $measures = ['hot' => Measure::PullHot, 'cold' => Measure::PullCold];

        return array_map(static function (string $each) use ($measures): Reading {
            preg_match('~^(\w+) ([\d.]+)(\+?)(?:/([\d.]+))?(?:\*([\d.]+))?$~', $each, $parts) ?: self::fail($each);

            return new Reading(
                $measures[$parts[1]] ?? Measure::from($parts[1]),
                (float) $parts[2],
                '+' === $parts[3],
                (float) ($parts[4] ?? 0),
                isset($parts[5]) ? (float) $parts[5] : null,
            );
        }, '' === $said ? [] : explode(', ', $said));
    }
}
