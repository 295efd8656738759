<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Evidence;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Evidence\Learned\Answered;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Evidence\Learned\Learner;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Evidence\Learned\LogCsv;
use Sitzplatz\Evidence\Learned\Retrospect;
use Sitzplatz\Evidence\Learned\Shop;
use Sitzplatz\Evidence\Learned\Situation;
use Sitzplatz\Evidence\Learned\Spreads;
use Sitzplatz\Evidence\Learned\Success;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Tests\Core\Words\Said;

/**
 * What a shop learns from its prints. The table has what the dense reference in R says of each line before it (all materials at once, told anew
 * every ten, no effect of surface, agent or purpose by itself): shop 1 prints ninety times, shop 2 once, and in shop 3 nothing ever held.
 */
final class LearnedTest extends TestCase
{
    private const TABLE = __DIR__.'/tables/learned.csv';

    public function testEachLineIsToldAsTheReferenceTellsIt(): void
    {
        $rows = array_map(static fn (string $row): array => str_getcsv($row, escape: ''), file(self::TABLE) ?: []);
        $at = (int) array_search('reference', $rows[0], true);
        $log = LogCsv::read(array_map(static fn (array $row): string => implode(',', array_diff_key($row, [$at => 0])), $rows));
        self::assertSame([], Said::all(array_column($log->faults, 'message')));
        $told = Retrospect::through($log->lines, Success::Held, 10, [EffectKind::Surface, EffectKind::Agent, EffectKind::Purpose], false);
        self::assertCount(103, $told->expected);
        self::assertEqualsWithDelta(
            array_map(static fn (array $row): float => (float) $row[$at], \array_slice($rows, 1)),
            array_map(static fn (LogisticNormal $each): float => $each->share(), $told->expected),
            1e-6,
        );
    }

    /** By hand: practice worth three prints, then counted; of another side, and of what nobody answered, nothing. */
    public function testARunningShareIsCountedBySetup(): void
    {
        $log = LogCsv::read(['material,surface,side,grade,held', 'pla,pei,P1,0.7,1', 'pla,pei,P1,0.7,', 'pla,pei,P2,0.7,0', 'pla,pei,P1,0.7,1', 'pla,pei,P1,0.7,0', 'pla,pei,P2,0.7,1']);
        $told = Retrospect::through($log->lines, Success::Held, 50);
        self::assertEqualsWithDelta([0.7, (1 + 2.1) / 4, 0.7, (1 + 2.1) / 4, (2 + 2.1) / 5, 2.1 / 4], $told->running(), 1e-12);
        $scores = $told->scores();
        $running = [0.7 - 1, 0.7, 3.1 / 4 - 1, 4.1 / 5, 2.1 / 4 - 1];
        self::assertEqualsWithDelta(array_sum(array_map(static fn (float $off): float => $off ** 2, $running)) / 5, $scores['running']->brier ?? 0, 1e-12);
        self::assertEqualsWithDelta((3 * 0.3 ** 2 + 2 * 0.7 ** 2) / 5, $scores['practice']->brier ?? 0, 1e-12);
        self::assertEqualsWithDelta(-(3 * log(0.7) + 2 * log(0.3)) / 5, $scores['practice']->log ?? 0, 1e-12);
        self::assertSame([5, 3], [$scores['learned']->n ?? 0, $scores['learned']->happened ?? 0]);
    }

    /** A sum in other units makes what did not happen certain; its score is bad, and still a number. */
    public function testACertaintyThatFailsHasAScore(): void
    {
        $rows = ['material,surface,grade,held,x_job', 'pla,pei,strong,0,50', 'pla,pei,strong,1,-50', 'pla,pei,0.999999,0,50'];
        $scores = Retrospect::through(LogCsv::read($rows)->lines, Success::Held, 1)->scores();
        self::assertGreaterThan(1.0, $scores['learned']->log ?? 0);
        self::assertTrue(is_finite($scores['learned']->log ?? \INF));
    }

    public function testALogIsReadWithinWhatCanBe(): void
    {
        $read = static fn (string $x, string $parts, string $minutes): LogCsv => LogCsv::read(['material,surface,grade,held,x_job,parts,minutes', "pla,pei,strong,1,$x,$parts,$minutes"]);
        foreach ([['-50', '1', '0'], ['50', '10000', '100000'], ['', '', ''], ['0,5', '2', '1,5e2']] as $taken) {
            self::assertSame([], $read(...('0,5' === $taken[0] ? ['0.5', '2', '1.5e2'] : $taken))->faults);
        }
        foreach ([['-50.1', '1', '60'], ['50.1', '1', '60'], ['0', '0', '60'], ['0', '10001', '60'], ['0', '1', '-1'], ['0', '1', '100001'], ['often', '1', '60']] as $refused) {
            self::assertCount(1, $read(...$refused)->faults, implode(' ', $refused));
        }
        $of = static fn (string $parts, string $minutes): array => $read('-1', $parts, $minutes)->lines[0]->holding->measures;
        self::assertEqualsWithDelta(['job' => -1.0, 'parts' => -log(4), 'time' => -log(2)], $of('4', '120'), 1e-12);
        self::assertEqualsWithDelta(['job' => -1.0, 'parts' => 0.0, 'time' => log(4)], $of('', '3'), 1e-12, 'Shorter than a quarter of an hour is a quarter of an hour.');
        self::assertEqualsWithDelta(['job' => -1.0, 'parts' => 0.0, 'time' => 0.0], $of('1', ''), 1e-12);
    }

    public function testWithoutAnswersPracticeSpeaksAndItsRangeIsWide(): void
    {
        $new = Shop::learn([], Spreads::usual())->expects(self::situation());
        // By hand: 1² + 3·0.3² (surface, agent, side) + 0.4² + 2·0.3² + 0.35² + 0.3² of what nobody has seen; one part, one hour.
        self::assertEqualsWithDelta([log(19), 1 + 3 * 0.09 + 0.16 + 2 * 0.09 + 0.1225 + 0.09], [$new->mean, $new->variance], 1e-12);
        self::assertLessThan(0.95, $new->share());
    }

    /** With spreads and all else fixed: what held never lowers what is said of the same, and what did not never raises it. */
    public function testASuccessNeverLowersAndAFailureNeverRaisesTheSameRow(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(35));
        foreach ([0, 1, 3, 12, 60] as $many) {
            for ($i = 0; $i < 12; ++$i) {
                $share = $random->getInt(0, 10) / 10;
                $answers = array_map(static fn (): Answered => new Answered(self::drawn($random), $random->getInt(1, 100) <= 100 * $share), $many > 0 ? range(1, $many) : []);
                $shop = Shop::learn($answers, Spreads::usual());
                $situation = $many > 0 && 0 === $i % 2 ? $answers[$random->getInt(0, $many - 1)]->situation : self::drawn($random);
                $before = $shop->expects($situation)->share();
                $after = static fn (bool $well): float => Shop::learn([...$answers, new Answered($situation, $well)], Spreads::usual(), $shop)->expects($situation)->share();
                self::assertGreaterThanOrEqual($before - 1e-9, $after(true));
                self::assertLessThanOrEqual($before + 1e-9, $after(false));
            }
        }
    }

    /** What was shown long ago is where newer answers begin, and is believed half as surely: it may have changed since. */
    public function testOlderAnswersSayWhereNewerOnesBegin(): void
    {
        $learner = new Learner(Spreads::usual(), false);
        $older = array_fill(0, 40, new Answered(self::situation(), false));
        $learner->learnOlder($older);
        $newer = array_fill(0, 3, new Answered(self::situation(), true));
        $learner->learn($newer);
        $all = Shop::learn([...$older, ...$newer], Spreads::usual())->expects(self::situation())->share();
        $alone = Shop::learn($newer, Spreads::usual())->expects(self::situation())->share();
        $both = $learner->shop()->expects(self::situation())->share();
        self::assertGreaterThan($all + 0.02, $both);
        self::assertLessThan($alone - 0.2, $both);
        self::assertSame([], Shop::learn([], Spreads::usual())->shown());
        // What two effects share they do not hand on: nobody was seen apart.
        $shown = Shop::learn($older, Spreads::usual())->shown();
        self::assertEqualsWithDelta(Shop::learn($older, Spreads::usual())->effects()[0]->doubt ** 2, array_values($shown)[0][1], 1e-12);
    }

    public function testTheOrderOfAnswersAndWhereItBeganDoNotMatter(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(7));
        $answers = array_map(static fn (): Answered => new Answered(self::drawn($random), $random->getInt(0, 3) > 0), range(1, 80));
        $asked = self::drawn($random);
        $one = Shop::learn($answers, Spreads::usual())->expects($asked);
        $other = Shop::learn(array_reverse($answers), Spreads::usual(), Shop::learn(\array_slice($answers, 0, 9), Spreads::usual()))->expects($asked);
        self::assertEqualsWithDelta([$one->mean, $one->variance], [$other->mean, $other->variance], 1e-6);
    }

    /** A grade that is wrong here is overruled, and what a printer does is learned once for all materials. */
    public function testAWrongGradeIsOverruledAndAPrinterIsLearnedOnceForAll(): void
    {
        $never = array_fill(0, 12, new Answered(self::situation(), false));
        self::assertLessThan(0.45, Shop::learn($never, Spreads::usual())->expects(self::situation())->share());
        $crashed = [];
        foreach (['pla', 'petg', 'asa', 'abs'] as $material) {
            foreach (range(1, 10) as $i) {
                $crashed[] = new Answered(self::situation($material, "s$i", 'south'), 0 === $i % 3);
                $crashed[] = new Answered(self::situation($material, "s$i", 'north'), true);
            }
        }
        $shop = Shop::learn($crashed, Spreads::usual());
        self::assertLessThan(
            $shop->expects(self::situation('tpu', 'another', 'north'))->share() - 0.05,
            $shop->expects(self::situation('tpu', 'another', 'south'))->share(),
        );
        $surest = $shop->effects();
        usort($surest, static fn ($a, $b): int => $b->surely() <=> $a->surely());
        self::assertContains($surest[0]->kind, [EffectKind::Printer, EffectKind::Epoch]);
    }

    /** By how much effects differ comes nearer to what most likely gave the answers (Laplace's marginal likelihood). */
    public function testSpreadsAreLearnedFromTheShop(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(3));
        // Lots that differ by two on log-odds, whose spread is taken for 0.35 before.
        $answers = [];
        foreach (range(1, 24) as $lot) {
            $share = 0 === $lot % 2 ? 0.98 : 0.5;
            foreach (range(1, 20) as $i) {
                $answers[] = new Answered(new Situation(log(9), [], ['lot' => "$lot", 'side' => 's'.$i % 4]), $random->getInt(1, 100) <= 100 * $share);
            }
        }
        $usual = Shop::learn($answers, Spreads::usual());
        $learner = new Learner(Spreads::usual());
        $learner->learn($answers);
        self::assertGreaterThan($usual->logEvidence() + 5, $learner->shop()->logEvidence());
        $spreads = $learner->shop()->spreads();
        self::assertGreaterThan(1.0, $spreads->ofEffect('lot'));
        self::assertLessThan(0.3, $spreads->ofEffect('side'), 'These do not differ.');
        $again = new Learner(Spreads::usual(), false);
        $again->learn($answers);
        self::assertEqualsWithDelta($usual->logEvidence(), $again->shop()->logEvidence(), 1e-9);
    }

    /** A crashed printer among four materials: it is named with its prints, and neither its plates nor its materials are blamed. */
    public function testALessonNamesWhatItRestsOnAndBlamesNothingElse(): void
    {
        $answers = [];
        foreach (['pla', 'petg', 'asa', 'abs'] as $material) {
            foreach (range(1, 12) as $i) {
                $answers[] = new Answered(self::situation($material, "s$i", 'south'), 0 === $i % 3);
                $answers[] = new Answered(self::situation($material, "s$i", 'north'), true);
            }
        }
        $lessons = Lesson::of(Shop::learn($answers, Spreads::usual()), $answers);
        $south = array_values(array_filter($lessons, static fn (Lesson $each): bool => EffectKind::Printer === $each->kind && 'south' === $each->name))[0] ?? self::fail();
        self::assertSame([48, 16, false], [$south->prints, $south->well, $south->better()]);
        self::assertGreaterThan(0.9, $south->surely);
        self::assertLessThanOrEqual(0.99, $south->surely);
        self::assertGreaterThan($south->with + 0.02, $south->without);
        // What they are given lies between the 16 of 48 that held and the 95 % of practice, much nearer to the former.
        self::assertEqualsWithDelta(16 / 48, $south->with, (0.95 - 16 / 48) / 3);
        foreach ($lessons as $lesson) {
            self::assertContains($lesson->kind, [EffectKind::Printer, EffectKind::Epoch]);
        }
        self::assertSame([], Lesson::of(Shop::learn([], Spreads::usual()), []));
    }

    /** @param array<string, float> $measures */
    private static function situation(string $material = 'pla', string $side = 'P1', string $printer = 'north', array $measures = []): Situation
    {
        return Situation::of(log(19), $measures, 1, 60.0, $material, [
            'pair' => 'pei/', 'surface' => 'pei', 'agent' => '', 'side' => $side, 'sheet' => "$side/1", 'printer' => $printer, 'epoch' => "$printer/1", 'lot' => '1', 'purpose' => 'use',
        ]);
    }

    private static function drawn(Randomizer $random): Situation
    {
        $share = [0.95, 0.7, 0.2, 0.05][$random->getInt(0, 3)];
        $side = $random->getInt(1, 6);
        $printer = $random->getInt(1, 3);

        return Situation::of(log($share / (1 - $share)), ['job' => -$random->getInt(0, 30) / 10], [1, 2, 8][$random->getInt(0, 2)], [30, 60, 600][$random->getInt(0, 2)], 'm'.$random->getInt(1, 3), [
            'pair' => 's'.$side % 3, 'surface' => 's'.$side % 3, 'side' => "d$side", 'sheet' => "d$side/".$random->getInt(1, 2), 'printer' => "p$printer", 'epoch' => "p$printer/".$random->getInt(1, 2),
            'lot' => 'l'.$random->getInt(1, 4), 'purpose' => 'use',
        ]);
    }
}
