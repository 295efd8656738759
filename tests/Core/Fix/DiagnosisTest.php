<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Fix;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Fix\Cause;
use Sitzplatz\Fix\Circumstances;
use Sitzplatz\Fix\Diagnosis;
use Sitzplatz\Fix\FailedWhere;
use Sitzplatz\Fix\Suspect;
use Sitzplatz\Fix\TakingOff;
use Sitzplatz\Fix\Then;
use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Wear\SideHistory;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Yaml\Yaml;

/** The order of checks is common practice: wash first, then the gap, the costly things last (trade notes, section 15). */
final class DiagnosisTest extends TestCase
{
    use ReadsTheCatalogue;

    /** @return iterable<string, array{string, string, string}> symptom, what comes first, what comes later than that */
    public static function ladders(): iterable
    {
        yield 'it held last week: wash' => ['used_to', 'dirt', 'worn'];
        yield 'a corner lifts: wash' => ['corner_lifts', 'dirt', 'no_agent'];
        yield 'in the middle only: wash' => ['only_middle', 'dirt', 'level'];
        yield 'a poor first layer is the gap' => ['uneven', 'gap_high', 'wet'];
        yield 'it will not come off: let it cool' => ['too_well', 'still_warm', 'no_barrier'];
        yield 'the plate moves: hold it down' => ['plate_moves', 'plate_loose', 'knocked'];
    }

    #[DataProvider('ladders')]
    public function testCheapAndFrequentCausesComeFirst(string $symptom, string $first, string $later): void
    {
        $order = self::order($symptom, new Circumstances());
        self::assertSame($first, $order[0]);
        self::assertGreaterThan(0, array_search($later, $order, true));
    }

    public function testATrialThatDidNotHelpMovesTheSharesByBayesRule(): void
    {
        // By hand: 6 and 4 of 10 cases, 3 % something else; the first trial helps in 9 of 10 if it is the cause.
        $causes = [self::cause('a', 5, 6, 0.9), self::cause('b', 10, 4, 0.5)];
        $before = Diagnosis::of($causes, new Circumstances(), [], []);
        self::assertEqualsWithDelta(['a' => 0.582, 'b' => 0.388], self::shares($before), 1e-12);
        self::assertEqualsWithDelta(0.03, $before->somethingElse, 1e-12);
        // 25 min, and with 1 − 0.582·0.9 another 30.
        self::assertEqualsWithDelta(25 + 30 * (1 - 0.582 * 0.9), $before->expectedMinutes, 1e-9);
        $after = Diagnosis::of($causes, new Circumstances(), ['a'], []);
        $left = 0.582 * 0.1 + 0.388 + 0.03;
        self::assertEqualsWithDelta(['a' => 0.0582 / $left, 'b' => 0.388 / $left], self::shares($after), 1e-12);
        self::assertSame(['b', 'a'], array_keys(self::shares($after)), 'What was tried comes last.');
        $done = Diagnosis::of($causes, new Circumstances(), ['b', 'a'], []);
        self::assertNull($done->next());
        self::assertEqualsWithDelta(0.0, $done->expectedMinutes, 1e-12);
    }

    public function testWhatItWasHereMovesTheShares(): void
    {
        $causes = [self::cause('a', 5, 5, 0.9), self::cause('b', 5, 5, 0.9)];
        // By hand: practice is worth ten cases, five each; three of this shop are on b.
        self::assertEqualsWithDelta(['b' => 0.97 * 8 / 13, 'a' => 0.97 * 5 / 13], self::shares(Diagnosis::of($causes, new Circumstances(), [], ['b' => 3])), 1e-12);
    }

    public function testNoOtherOrderTakesLess(): void
    {
        // Kadane & Simon 1977: chance against cost. Held against all orders of the causes that lead.
        foreach (['slides', 'corner_lifts', 'too_well', 'used_to'] as $symptom) {
            $found = Diagnosis::of(self::causes($symptom), new Circumstances(), [], []);
            $lead = \array_slice($found->suspects, 0, 6);
            $least = Diagnosis::minutes($lead);
            foreach (self::permutations($lead) as $order) {
                self::assertGreaterThanOrEqual($least - 1e-9, Diagnosis::minutes($order));
            }
        }
    }

    public function testThePlatesOwnHistoryMovesTheOrder(): void
    {
        $surface = self::catalogue()->surface('pei_textured');
        $washed = new Circumstances($surface, new SideHistory(12, 0), changedSinceHeld: true);
        self::assertSame('gap_high', self::order('used_to', $washed)[0], 'Washed just now, and the printer was changed since it held.');
        $tired = new Circumstances($surface, new SideHistory(900, 3));
        $order = self::order('used_to', $tired);
        self::assertLessThan(array_search('wet', $order, true), array_search('worn', $order, true));
        $of = static fn (string $cause, Circumstances $here): array => array_values(array_filter(
            Diagnosis::of(self::causes('used_to'), $here, [], [])->suspects,
            static fn (Suspect $suspect): bool => $cause === $suspect->cause->id,
        ));
        self::assertSame(['fix.hint.since_wash prints=14 usual=10'], Said::all([$of('dirt', new Circumstances($surface, new SideHistory(40, 14)))[0]->why]));
        self::assertSame(['fix.hint.stood days=30'], Said::all([$of('dirt', new Circumstances($surface, new SideHistory(40, 2), 30))[0]->why]), 'Dust counts as dirt.');
        self::assertSame(['fix.hint.dried_long_ago days=40 good=30'], Said::all([$of('wet', new Circumstances(driedDaysAgo: 40, staysDryDays: 30))[0]->why]));
        self::assertSame([], $of('coat_harms', new Circumstances($surface, new SideHistory(40, 2))), 'There is no coat.');
    }

    public function testACoatThatHarmsComesBeforeAnAgent(): void
    {
        // On textured PEI a coat levels the texture and takes its grip away (common practice); PLA wants none there.
        $coated = new SideHistory(60, 3, 3, '2026-11-01T00:00:00+00:00', '2026-11-02T00:00:00+00:00', 'pva_stick', 'White stick');
        $here = new Circumstances(self::catalogue()->surface('pei_textured'), $coated, pairing: self::catalogue()->pairing('pla', 'pei_textured'));
        $order = self::order('corner_lifts', $here);
        self::assertSame('coat_harms', $order[0]);
        self::assertNotContains('no_agent', $order);
        // PETG takes it as the parting layer: its loss of grip is a cause among others.
        $petg = new Circumstances(self::catalogue()->surface('pei_textured'), $coated, pairing: self::catalogue()->pairing('petg', 'pei_textured'));
        self::assertContains('coat_harms', self::order('corner_lifts', $petg));
        self::assertSame('dirt', self::order('corner_lifts', $petg)[0]);
    }

    public function testOnACoolPlateDirtIsLookedForBeforeHeat(): void
    {
        $share = static fn (string $surface): float => self::shares(Diagnosis::of(self::causes('corner_lifts'), new Circumstances(self::catalogue()->surface($surface)), [], []))['dirt'];
        self::assertGreaterThan($share('pei_smooth'), $share('low_temp_matte'));
        $high = static fn (string $surface): float => self::shares(Diagnosis::of(self::causes('corner_lifts'), new Circumstances(self::catalogue()->surface($surface)), [], []))['gap_high'];
        self::assertGreaterThan($high('pei_smooth'), $high('pei_textured'), 'Texture hides a first layer too high.');
    }

    public function testAHeaterBoardBowsAndAnotherDoesNot(): void
    {
        self::assertNotContains('bed_lowered', self::order('corner_lifts', new Circumstances(boardHeater: false)));
        self::assertContains('bed_lowered', self::order('corner_lifts', new Circumstances(boardHeater: true)));
    }

    /** Common practice: one edge is a draft or a tilt, corners are fingers, one spot the coat or its wear, everywhere the gap or the lot. */
    public function testWhereItFailsTellsCausesApart(): void
    {
        $share = static function (string $symptom, string $cause, ?FailedWhere $where): float {
            $all = self::shares(Diagnosis::of(self::causes($symptom), new Circumstances(where: $where), [], []));

            return $all[$cause];
        };
        foreach ([
            [FailedWhere::OneEdge, ['draft'], 'corner_lifts'],
            [FailedWhere::OneEdge, ['level'], 'slides'],
            [FailedWhere::Corners, ['dirt'], 'corner_lifts'],
            [FailedWhere::OneSpot, ['coat_worn', 'worn'], 'pops_off'],
            [FailedWhere::Everywhere, ['gap_high', 'other_lot'], 'slides'],
        ] as [$where, $causes, $symptom]) {
            foreach ($causes as $cause) {
                self::assertGreaterThan(1.2 * $share($symptom, $cause, null), $share($symptom, $cause, $where), "$cause, $where->value");
                foreach (array_filter(FailedWhere::cases(), static fn (FailedWhere $each): bool => $each !== $where) as $other) {
                    self::assertGreaterThan($share($symptom, $cause, $other), $share($symptom, $cause, $where), "$cause, $where->value against $other->value");
                }
            }
        }
        $why = Diagnosis::of(self::causes('corner_lifts'), new Circumstances(where: FailedWhere::OneEdge), [], [])->suspects;
        self::assertContains('failed_where.one_edge', array_map(static fn (Suspect $each): ?string => $each->why?->key, $why));
    }

    public function testTheMapSaysWhereItFails(): void
    {
        $marks = static fn (float ...$at): array => array_map(static fn (array $each): array => ['x' => $each[0], 'y' => $each[1]], array_chunk($at, 2));
        self::assertNull(FailedWhere::ofMarks($marks(0.1, 0.1, 0.9, 0.1)), 'Two say nothing.');
        self::assertSame(FailedWhere::OneEdge, FailedWhere::ofMarks($marks(0.1, 0.9, 0.5, 0.85, 0.8, 0.95)));
        self::assertSame(FailedWhere::OneEdge, FailedWhere::ofMarks($marks(0.05, 0.1, 0.1, 0.5, 0.2, 0.9)));
        self::assertSame(FailedWhere::Corners, FailedWhere::ofMarks($marks(0.1, 0.1, 0.9, 0.1, 0.9, 0.9, 0.1, 0.9)));
        self::assertSame(FailedWhere::OneSpot, FailedWhere::ofMarks($marks(0.5, 0.5, 0.55, 0.45, 0.6, 0.5, 0.5, 0.58)));
        self::assertSame(FailedWhere::Everywhere, FailedWhere::ofMarks($marks(0.1, 0.1, 0.5, 0.5, 0.9, 0.4, 0.3, 0.9)));
    }

    /** A part that wants a brim has too little foot more often than one that wants none. */
    public function testThePartThatFailsIsTakenIntoAccount(): void
    {
        $share = static fn (?bool $wants): float => self::shares(Diagnosis::of(self::causes('pops_off'), new Circumstances(wantsFoot: $wants), [], []))['little_foot'];
        self::assertGreaterThan($share(null), $share(true));
        self::assertLessThan($share(null), $share(false));
    }

    public function testAStuckPartIsTakenOffByHowThePlateIsBuilt(): void
    {
        // Thin steel flexes and may freeze; glass does neither (common practice, trade notes section 9).
        $steel = TakingOff::from(PlateBuild::of(self::catalogue()->surface('pei_smooth'), [], false), 40.0);
        self::assertContains('off.flex', self::keys($steel->steps));
        self::assertContains('off.freezer', self::keys($steel->steps));
        self::assertContains('off.freezer minutes=600', Said::all($steel->steps), 'Ten minutes.');
        $glass = TakingOff::from(PlateBuild::of(self::catalogue()->surface('glass'), [], false), null);
        self::assertSame(['stuck.cool', 'off.cool_and_push', 'stuck.again', 'off.tap', 'stuck.edge'], self::keys($glass->steps));
        self::assertContains('off.no_freezer', self::keys($glass->never));
        self::assertContains('off.stays_on', self::keys(TakingOff::from(PlateBuild::of(self::catalogue()->surface('pei_smooth'), [], true), 40.0)->never));
    }

    /**
     * @param list<Phrase> $phrases
     *
     * @return list<string>
     */
    private static function keys(array $phrases): array
    {
        return array_map(static fn (Phrase $phrase): string => $phrase instanceof Sentence ? $phrase->key : '', $phrases);
    }

    /** @return list<string> */
    private static function order(string $symptom, Circumstances $here): array
    {
        return array_map(static fn (Suspect $suspect): string => $suspect->cause->id, Diagnosis::of(self::causes($symptom), $here, [], [])->suspects);
    }

    /** @return array<string, float> */
    private static function shares(Diagnosis $found): array
    {
        return array_combine(
            array_map(static fn (Suspect $suspect): string => $suspect->cause->id, $found->suspects),
            array_map(static fn (Suspect $suspect): float => $suspect->share, $found->suspects),
        );
    }

    /** @return list<Cause> */
    private static function causes(string $symptom): array
    {
        $causes = [];
        foreach (Yaml::parseFile(\dirname(__DIR__, 3).'/catalogue/checks.yaml')['causes'] as $row) {
            if (isset($row['for'][$symptom])) {
                $causes[] = self::cause($row['id'], $row['minutes'], $row['for'][$symptom], $row['helps'] ?? Cause::USUALLY_HELPS, $row['on'] ?? [], $row['where'] ?? []);
            }
        }

        return $causes;
    }

    /**
     * @param array<string, float> $on
     * @param array<string, float> $where
     */
    private static function cause(string $id, float $minutes, float $often, float $helps, array $on = [], array $where = []): Cause
    {
        return new Cause($id, new CatalogueText('cause.name', $id), new CatalogueText('cause.do', $id), $minutes, $helps, $often, $on, Then::Nothing, $where);
    }

    /**
     * @param list<Suspect> $of
     *
     * @return iterable<list<Suspect>>
     */
    private static function permutations(array $of): iterable
    {
        if (\count($of) < 2) {
            yield $of;

            return;
        }
        foreach ($of as $i => $first) {
            foreach (self::permutations(array_values(array_filter($of, static fn (int $at): bool => $at !== $i, \ARRAY_FILTER_USE_KEY))) as $rest) {
                yield [$first, ...$rest];
            }
        }
    }
}
