<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Evidence;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Evidence\BadChange;
use Sitzplatz\Evidence\Change;
use Sitzplatz\Evidence\ChangeKind;
use Sitzplatz\Evidence\Conditions;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Evidence\EvidenceSince;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\Assessment;
use Sitzplatz\Keep\Doubt;
use Sitzplatz\Keep\Doubts;
use Sitzplatz\Keep\ProfileGround;
use Sitzplatz\Keep\ProfileTrust;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Keep\ShelfNow;
use Sitzplatz\Test\Criterion;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\Reading;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\Sentence;

/** What speaks for a setup, and what puts it in question (common practice, trade notes sections 6 and 7). */
final class EvidenceTest extends TestCase
{
    public function testTheLastChangeBeforeATimeIsFoundInWhateverOrder(): void
    {
        $changes = array_map(static fn (float $at): Change => new Change(ChangeKind::LevelledForPlate, '2026-11-01', $at, plateId: 'p1'), [30.0, 10.0, 20.0]);
        $at = static fn (float $endedAt): ?float => EvidenceSince::lastBefore($changes, $endedAt)?->at;
        self::assertSame([null, null, 10.0, 10.0, 20.0, 30.0], array_map($at, [5.0, 10.0, 10.5, 20.0, 30.0, \INF]));
        self::assertNull(EvidenceSince::lastBefore([], \INF));
    }

    /** @return iterable<string, array{array<string, mixed>, bool, bool, bool}> difference, any lot, any plate, whether it speaks */
    public static function differences(): iterable
    {
        yield 'nothing' => [[], false, false, true];
        yield 'another lot' => [['lotId' => 'l2'], false, true, false];
        yield 'another lot, and any is claimed' => [['lotId' => 'l2'], true, false, true];
        yield 'another sheet on the side' => [['fittingId' => 'f2'], true, false, false];
        yield 'another sheet, and any plate of the kind is claimed' => [['fittingId' => 'f2'], false, true, true];
        yield 'another kind of surface' => [['fittingId' => 'f2', 'surfaceId' => 'glass'], true, true, false];
        yield 'another printer' => [['printerId' => 'p2'], true, true, false];
        yield 'an agent' => [['agentKindId' => 'pva_stick'], true, true, false];
        yield 'the first layer five degrees hotter' => [['bedFirstC' => 98.0], true, true, false];
        yield 'the bed lowered after the first layer' => [['bedOtherC' => 50.0], true, true, false];
        yield 'the bed switched off after the first layer' => [['bedOtherC' => null], true, true, false];
        yield 'another nozzle' => [['nozzleMm' => 0.6], true, true, false];
        yield 'a hotter first layer' => [['nozzleFirstC' => 250.0], true, true, false];
        yield 'a nearer nozzle' => [['gapMm' => 0.08], true, true, false];
        yield 'a gap that nobody measured' => [['gapMm' => null], true, true, false];
        yield 'a faster first layer' => [['speedMmS' => 55.0], true, true, false];
        yield 'a first layer no faster than anybody sets it' => [['speedMmS' => 20.4], false, false, true];
        yield 'a first layer faster by what can be set' => [['speedMmS' => 20.55], true, true, false];
        yield 'ears' => [['brim' => 'ears'], true, true, false];
        yield 'no brim in other letters' => [['brim' => ' None'], false, false, true];
        yield 'another feeler' => [['feeler' => 'card'], true, true, false];
        yield 'the last digit of a float' => [['bedFirstC' => 93.0 + 1e-13], false, false, true];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('differences')]
    public function testWhatEvidenceMatchesOn(array $change, bool $anyLot, bool $anyPlate, bool $speaks): void
    {
        self::assertSame($speaks, self::conditions($change)->speakFor(self::conditions([]), $anyLot, $anyPlate));
    }

    public function testEveryChangeOfThePrinterQuestionsWhatWasBefore(): void
    {
        foreach (ChangeKind::cases() as $kind) {
            if (!\in_array($kind, [ChangeKind::MachineFault, ChangeKind::LevelledForPlate], true)) {
                $change = new Change($kind, '2026-11-03', 1000.0);
                self::assertTrue($change->questions('P1', 999.0), $kind->value);
                self::assertFalse($change->questions('P1', 1001.0), $kind->value);
            }
            self::assertSame('change.'.$kind->value, Said::of($kind->words()));
        }
        $levelled = new Change(ChangeKind::LevelledForPlate, '2026-11-03', 1000.0, plateId: 'P2');
        self::assertTrue($levelled->questions('P1', 999.0));
        self::assertFalse($levelled->questions('P2', 999.0), 'For its own plate it is right.');
        $fault = new Change(ChangeKind::MachineFault, '2026-11-03', 1000.0, 2000.0);
        self::assertSame([false, true, true, false], array_map(static fn (float $t): bool => $fault->questions('P1', $t), [999.0, 1000.0, 2000.0, 2001.0]));
        self::assertSame(
            ['b'],
            array_map(
                static fn (EvidenceRun $r): string => $r->id,
                EvidenceSince::changes([self::made('a', [], 1500.0), self::made('b', [], 2500.0)], [$fault]),
            ),
        );
    }

    public function testJudgeAndKeepAskTheSameOfARun(): void
    {
        // Effort and damage noted in one of six cold runs were once enough for Judge, and not for Keep.
        $runs = [];
        for ($i = 0; $i < 12; ++$i) {
            $runs[] = $i < 6
                ? [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 30 + $i % 3)]
                : [
                    new Reading(Measure::Held, 1),
                    new Reading(Measure::PullCold, 4 + $i % 3),
                    ...(6 === $i ? [new Reading(Measure::Effort, 1), new Reading(Measure::Damage, 0)] : []),
                ];
        }
        $judgement = SetupJudgement::of(new SetupRecord('A', $runs), self::proof());
        self::assertContains('release.unsaid runs=5', Said::all($judgement->release->reasons));
        self::assertSame('verdict.unsettled runs=5', Said::of($judgement->words()));
        $evidence = array_map(static fn (int $i): EvidenceRun => self::made("r$i", $runs[$i], 1.0), array_keys($runs));
        $assessment = Assessment::of($evidence, new AcceptancePlan(0.8, 0.9, 0), self::proof(), new ScopeClaim(false, false));
        self::assertFalse($assessment->carried());
        self::assertSame(['keep.unsaid runs=5'], Said::all($assessment->missing));
        self::assertSame([0, 5], [$assessment->moreRuns, $assessment->incomplete]);
    }

    public function testAProvenLengthIsMeasuredOrThereIsNone(): void
    {
        $said = [new Reading(Measure::Held, 1), new Reading(Measure::PullHot, 30)];
        $of = static fn (array $minutes): ?float => Assessment::of(
            array_map(static fn (int $i): EvidenceRun => self::made("r$i", $said, 1.0, $minutes[$i]), array_keys($minutes)),
            new AcceptancePlan(0.8, 0.9, 0),
            self::proof(),
            new ScopeClaim(false, false),
        )->proven?->longestJobMinutes;
        self::assertNull($of([null, null]));
        self::assertEqualsWithDelta(25.5, $of([24.0, null, 25.5]), 1e-12);
    }

    public function testAProfileStandsForASheetAsThePrinterWasUntilItsReview(): void
    {
        $ground = new ProfileGround('f1', 'P1 front', 'p1', 'S-7', 1000.0, '2026-12-01');
        $reasons = static fn (ShelfNow $now): array => array_map(static fn (Doubt $d): string => $d->kind.': '.Said::of($d->reason), Doubts::of($ground, $now));
        self::assertSame([], $reasons(new ShelfNow('f1', 'S-7', false, [new Change(ChangeKind::Levelling, '2026-11-01', 900.0)], '2026-12-01')));
        self::assertSame(
            ['change: doubt.changed change=change.levelling day=2026-11-03'],
            $reasons(new ShelfNow('f1', 'S-7', false, [new Change(ChangeKind::Levelling, '2026-11-03', 1100.0)], '2026-11-05')),
        );
        self::assertSame(['sheet: doubt.new_sheet side=P1 front'], $reasons(new ShelfNow('f2', 'S-7', false, [], '2026-11-05')));
        self::assertSame(['sheet: doubt.other_sheet_lot side=P1 front was=S-7 is=S-9'], $reasons(new ShelfNow('f2', 'S-9', false, [], '2026-11-05')));
        self::assertSame(['plate: doubt.plate_retired side=P1 front'], $reasons(new ShelfNow('f1', 'S-7', true, [], '2026-11-05')));
        self::assertSame(['review: scope.review day=2026-12-01'], $reasons(new ShelfNow('f1', 'S-7', false, [], '2026-12-02')));
        self::assertCount(4, $reasons(new ShelfNow('f2', '', true, [new Change(ChangeKind::Crash, '2026-11-03', 1100.0)], '2027-01-01')), 'Each is said.');
        $anywhere = new ProfileGround(null, '', null, '', 1000.0, null);
        self::assertSame([], Doubts::of($anywhere, new ShelfNow(null, '', false, [], '2027-01-01')), 'Any plate of the kind: no sheet of its own.');
    }

    public function testProvenIsOnlyWhatIsValidatedInScopeAndNotInDoubt(): void
    {
        $inside = ['room' => true, 'job' => null];
        $outside = [...$inside, 'parts' => false];
        $doubt = [new Doubt('review', Sentence::of('a.b'), Sentence::of('a.b'))];
        self::assertSame(ProfileTrust::Proven, ProfileTrust::of(false, ['job' => true] + $inside, []));
        // Nobody said how long the job takes: that is no tick.
        self::assertSame(ProfileTrust::ProvenUpTo, ProfileTrust::of(false, $inside, []));
        self::assertSame('known.proven_up_to longest=1440', Said::of(ProfileTrust::ProvenUpTo->words(24.0)));
        self::assertSame(ProfileTrust::OutOfScope, ProfileTrust::of(false, $outside, []));
        self::assertSame(ProfileTrust::InQuestion, ProfileTrust::of(false, $inside, $doubt));
        self::assertSame(ProfileTrust::Trial, ProfileTrust::of(true, $inside, []));
        self::assertSame([0, 1, 2, 3, 4], array_map(static fn (ProfileTrust $t): int => $t->rank(), ProfileTrust::cases()));
    }

    public function testAFaultOfAMachineHasABeginningBeforeItsEnd(): void
    {
        $noon = new \DateTimeImmutable('2026-11-03 12:00');
        ChangeKind::MachineFault->asksFor($noon, $noon, false);
        ChangeKind::MachineFault->asksFor($noon, $noon->modify('+1 hour'), false);
        ChangeKind::LevelledForPlate->asksFor(null, null, true);
        foreach ([[ChangeKind::MachineFault, $noon, $noon->modify('-1 second')], [ChangeKind::MachineFault, null, $noon], [ChangeKind::LevelledForPlate, $noon, $noon]] as [$kind, $from, $until]) {
            try {
                $kind->asksFor($from, $until, false);
                self::fail($kind->value);
            } catch (BadChange $bad) {
                self::assertNotSame('', Said::of($bad->sentence));
            }
        }
    }

    /** @param array<string, mixed> $change */
    private static function conditions(array $change): Conditions
    {
        return new Conditions(...[
            'materialId' => 'abs', 'lotId' => 'l1', 'printerId' => 'p1', 'fittingId' => 'f1', 'surfaceId' => 'pei_smooth', 'agentKindId' => null,
            'bedFirstC' => 93.0, 'bedOtherC' => 93.0, 'nozzleMm' => 0.4, 'nozzleFirstC' => 245.0, 'gapMm' => 0.1, 'feeler' => 'note paper', 'speedMmS' => 20.0, 'brim' => 'none', ...$change,
        ]);
    }

    /** @param list<Reading> $readings */
    private static function made(string $id, array $readings, float $endedAt, ?float $printMinutes = 24.0): EvidenceRun
    {
        return new EvidenceRun($id, false, $readings, 'l1', 'P1', 20, $printMinutes, 1, false, false, $endedAt);
    }

    private static function proof(): ProofPlan
    {
        return new ProofPlan(new Limits(20, 12, Effort::Flex), Criterion::Mean, 0.8, 0, Design::Fixed, 12, 6, 6);
    }
}
