<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Device\Bench;
use App\Device\SimulatedBench;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Xoshiro256StarStar;
use Sitzplatz\Test\PullTrace;
use Sitzplatz\Tests\Core\Shape\BuildsMeshes;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Console\Tester\CommandTester;

final class CommandTest extends KernelTestCase
{
    use BuildsMeshes;

    /** R's dataset PlantGrowth, groups trt1 and trt2. */
    private const TABLE = "setup,run,measure,value,unit,status\n"
        ."trt1,1,pull_hot,4.81,N,exact\ntrt1,2,pull_hot,4.17,N,exact\ntrt1,3,pull_hot,4.41,N,exact\ntrt1,4,pull_hot,3.59,N,exact\ntrt1,5,pull_hot,5.87,N,exact\n"
        ."trt1,6,pull_hot,3.83,N,exact\ntrt1,7,pull_hot,6.03,N,exact\ntrt1,8,pull_hot,4.89,N,exact\ntrt1,9,pull_hot,4.32,N,exact\ntrt1,10,pull_hot,4.69,N,exact\n"
        ."trt2,1,pull_hot,6.31,N,exact\ntrt2,2,pull_hot,5.12,N,exact\ntrt2,3,pull_hot,5.54,N,exact\ntrt2,4,pull_hot,5.50,N,exact\ntrt2,5,pull_hot,5.37,N,exact\n"
        ."trt2,6,pull_hot,5.29,N,exact\ntrt2,7,pull_hot,4.92,N,exact\ntrt2,8,pull_hot,6.15,N,exact\ntrt2,9,pull_hot,5.80,N,exact\ntrt2,10,pull_hot,5.26,N,exact\n"
        ."trt1,1,held,1,,exact\n";

    public function testJudgePrintsTheFigures(): void
    {
        $tester = $this->judge(self::TABLE, ['--contact-area' => '120']);
        $tester->assertCommandIsSuccessful();
        $result = json_decode($tester->getDisplay(), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($result);
        self::assertSame(['measures', 'held', 'effort', 'figures'], array_keys($result));
        $pair = $result['measures']['pull_hot']['pairs'][0];
        // R: t.test(trt2, trt1): p 0.009298; of two groups Games–Howell is Welch's t
        self::assertEqualsWithDelta(0.865, $pair['difference'], 1e-12);
        self::assertEqualsWithDelta(0.009298, $pair['p'], 5e-7);
        self::assertSame('games_howell', $pair['method']);
        self::assertEqualsWithDelta(4.661 / 120, $result['measures']['pull_hot']['setups'][0]['mean_mpa'], 1e-12);
        self::assertSame(1, $result['held']['setups'][0]['runs']);
        self::assertStringContainsString('0.793675696434', $tester->getDisplay(), 'R: sd of trt1, in full precision.');
    }

    public function testJudgePrintsWhatGoesBeyondMeans(): void
    {
        $table = "setup,run,measure,value,unit,status\n";
        // Three setups whose figures are those of R in tests/Core/Statistics/CensoredTest and ByRanksTest.
        foreach (['A' => ['22,exact', '25,exact', '31,exact', '28,exact', '30,at_least'], 'B' => ['15,exact', '18,exact', '22,exact', '19,exact', '20,exact'], 'C' => ['30,exact', '35,exact', '40,at_least', '40,at_least', '40,at_least']] as $setup => $pulls) {
            foreach ($pulls as $i => $pull) {
                [$force, $status] = explode(',', $pull);
                $effort = ['A' => [0, 1, 1, 2, 1], 'B' => [2, 3, 2, 4, 3], 'C' => [1, 1, 2, 2, 0]][$setup][$i];
                $table .= "$setup,$i,pull_hot,$force,N,$status\n$setup,$i,effort,$effort,,exact\n";
            }
        }
        foreach (['A' => 12, 'B' => 6, 'C' => 10] as $setup => $held) {
            for ($i = 0; $i < 12; ++$i) {
                $table .= \sprintf("%s,h%d,held,%d,,exact\n", $setup, $i, $i < $held);
            }
        }
        $tester = $this->judge($table, ['--margin' => '3']);
        $tester->assertCommandIsSuccessful();
        $result = json_decode($tester->getDisplay(), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($result);
        $pulls = $result['measures']['pull_hot'];
        self::assertStringContainsString('1 of 5 readings is a lower bound', $pulls['setups'][0]['reason']);
        $survival = $pulls['survival'];
        self::assertEqualsWithDelta([18.6207400228, 2, 9.04810599557e-05], array_values($survival['logrank']), 1e-9);
        self::assertSame([28, 19, null], array_column($survival['setups'], 'median'));
        self::assertEqualsWithDelta(22.513714966, $survival['setups'][0]['weibull']['exceeded_by_90']['value'], 1e-5);
        self::assertEqualsWithDelta([22, 0.8], $survival['setups'][0]['km'][0], 1e-12);
        // Lower bounds have no mean that could be alike.
        self::assertNull($pulls['equivalence'][0]['equivalent']);
        self::assertNotSame('', $pulls['equivalence'][0]['reason']);
        self::assertEqualsWithDelta([7.98378378378, 2, 0.0184647477474], array_values($result['effort']['kruskal']), 1e-10);
        self::assertSame([1, 3, 1, 0, 0], $result['effort']['setups'][0]['counts']);
        self::assertSame('rank_sum_exact', $result['effort']['pairs'][0]['method']);
        self::assertEqualsWithDelta(0.0140253876857, $result['held']['fisher']['p'], 1e-12);
        // R: p.adjust of the three, by Holm.
        self::assertEqualsWithDelta([0.04118993135, 0.47826086957, 0.38605465069], array_column($result['held']['pairs'], 'p_holm'), 1e-9);
    }

    /** @return iterable<array{string, array<string, string>, string}> */
    public static function badInput(): iterable
    {
        yield [
            "setup,run,measure,value,unit,status\nA,1,held,2,,exact\nA,2,what,1,,exact\n",
            [],
            "line 2: Held has to be 1 (held to the end) or 0 (did not).\nline 3: \"what\" is not a measure.",
        ];
        yield ['', [], 'line 1: The file is empty.'];
        yield [self::TABLE, ['--contact-area' => '-3'], '--contact-area has to be a number'];
        yield [self::TABLE, ['--margin' => '1e999'], '--margin has to be a number greater than 0.'];
        yield [self::TABLE, ['--margin' => '0'], '--margin has to be a number greater than 0.'];
        yield [self::TABLE, ['file' => '/nowhere.csv'], 'The file cannot be read'];
    }

    /** @param array<string, string> $more */
    #[DataProvider('badInput')]
    public function testBadInputEndsWithCodeTwoAndALineAFault(string $table, array $more, string $words): void
    {
        $tester = $this->judge($table, $more);
        self::assertSame(2, $tester->getStatusCode());
        self::assertStringContainsString($words, $tester->getErrorOutput());
        self::assertSame('', $tester->getDisplay());
    }

    public function testChoosePrintsTheRanking(): void
    {
        $answer = $this->json(
            'sitzplatz:choose',
            '{"materialId":"pla","printer":"North bay","lot":"L-101","benchSide":"P1 front","roomC":20,"partCount":1,"jobMinutes":null}',
        );
        self::assertNotSame([], $answer['candidates']);
        self::assertSame($answer['candidates'][0]['key'], $answer['detail']['key']);
    }

    public function testHeatPrintsTheSums(): void
    {
        $answer = $this->json('sitzplatz:heat', '{"widthMm":200,"depthMm":200,"roomC":20,"surfaceC":60,"layers":[{"of":"aluminium","mm":3}]}');
        // By hand: 3 mm ÷ 167 W/mK.
        self::assertEqualsWithDelta(0.003 / 167, $answer['resistanceM2KW'], 1e-15);
    }

    public function testShapePrintsThePart(): void
    {
        $answer = $this->json('sitzplatz:shape', self::binary(self::box(0, 0, 20, 6, 8)));
        // The pull block of practice: 6 × 20 mm.
        self::assertEqualsWithDelta(120, $answer['contactAreaMm2'], 1e-3);
    }

    /** @return iterable<array{string, string, string}> */
    public static function badJson(): iterable
    {
        yield ['sitzplatz:choose', '{', 'not readable as a JSON object'];
        yield ['sitzplatz:choose', '{"printer":"Attic"}', 'printer: There is no printer of this name'];
        yield ['sitzplatz:choose', '{"printer":"Dome","lot":"L-0"}', 'lot: There is no lot of this label'];
        yield ['sitzplatz:choose', '{"printer":"Dome","benchSide":"P99 front"}', 'benchSide: There is no plate side'];
        yield ['sitzplatz:choose', '{"printer":"Dome","roomC":20}', "materialId: This is missing: fill it in.\npartCount: This is missing"];
        yield ['sitzplatz:heat', '{"widthMm":200}', 'layers: This is missing'];
        yield ['sitzplatz:heat', 'soup', 'not readable as JSON'];
        yield ['sitzplatz:shape', 'soup', 'STL'];
    }

    #[DataProvider('badJson')]
    public function testABadRequestEndsWithCodeTwoAndALineAFault(string $command, string $content, string $words): void
    {
        $tester = $this->onFile($command, $content);
        self::assertSame(2, $tester->getStatusCode());
        self::assertStringContainsString($words, $tester->getErrorOutput());
        self::assertSame('', $tester->getDisplay());
    }

    public function testTheDemoIsLoadedOnce(): void
    {
        $tester = new CommandTester((new Application(self::bootKernel()))->find('sitzplatz:demo:load'));
        $tester->execute([]);
        self::assertStringContainsString('nothing was changed', $tester->getDisplay());
    }

    /** As the reference in R tells it (tests/Core/Evidence/tables), and the same from a spreadsheet where the comma marks decimals. */
    public function testALogIsToldAgain(): void
    {
        $rows = array_map(static fn (string $row): array => str_getcsv(trim($row), escape: ''), file(\dirname(__DIR__).'/Core/Evidence/tables/learned.csv') ?: []);
        $rows = array_map(static fn (array $row): array => \array_slice($row, 0, -1), $rows);
        $plain = $this->forecast(implode("\n", array_map(static fn (array $row): string => implode(',', $row), $rows))."\n", ['--every' => '10', '--json' => true]);
        $plain->assertCommandIsSuccessful();
        $told = json_decode($plain->getDisplay(), true, 64, \JSON_THROW_ON_ERROR);
        self::assertSame(['held', 'heldRange', 'released', 'releasedRange', 'scores', 'effects'], array_keys($told));
        self::assertCount(103, $told['held']);
        self::assertSame([103, null], [$told['scores']['held']['learned']['n'], $told['scores']['released']['learned']]);
        foreach ($told['held'] as $i => $chance) {
            self::assertGreaterThan($told['heldRange'][$i][0], $chance);
            self::assertLessThan($told['heldRange'][$i][1], $chance);
        }
        // Only shop 3, where nothing held, says less of it at the end than at the beginning.
        self::assertLessThan($told['held'][91], end($told['held']));
        $commas = $this->forecast("\u{FEFF}".implode("\r\n", array_map(static fn (array $row): string => str_replace(['.', '|'], [',', ';'], implode('|', $row)), $rows)), ['--every' => '10', '--json' => true]);
        self::assertSame($plain->getDisplay(), $commas->getDisplay());
        $words = $this->forecast(implode("\n", array_map(static fn (array $row): string => implode(',', $row), $rows)));
        self::assertStringContainsString('a running share of each setup', $words->getDisplay());
        self::assertStringContainsString('nobody said of any print', $words->getDisplay());
    }

    public function testALogMayLackAllButWhatIsNeeded(): void
    {
        $told = json_decode($this->forecast("held,material,surface,grade,effort\nyes,pla,pei,strong,1\nNA,pla,pei,0.9,\nno,pla,pei,fair,\n1,pla,pei,strong,4\n", ['--json' => true])->getDisplay(), true, 64, \JSON_THROW_ON_ERROR);
        self::assertCount(4, $told['held']);
        self::assertSame([3, 2], [$told['scores']['held']['learned']['n'], $told['scores']['released']['learned']['n']], 'Nobody said of one, and one did not hold.');
        self::assertGreaterThan($told['held'][2], $told['held'][1]);
    }

    public function testAColumnThatNobodyKnowsIsLeftOutAndSaid(): void
    {
        $tester = $this->forecast("material,surface,grade,held,tone\npla,pei,strong,1,C sharp\n", ['--json' => true]);
        $tester->assertCommandIsSuccessful();
        self::assertStringContainsString('Nobody knows the column tone: it is left out.', $tester->getErrorOutput());
        self::assertSame($this->forecast("material,surface,grade,held\npla,pei,strong,1\n", ['--json' => true])->getDisplay(), $tester->getDisplay());
    }

    /** @return iterable<string, array{string, string}> */
    public static function spoiltLogs(): iterable
    {
        yield 'empty' => ['', 'line 1: The first line names the columns'];
        yield 'a column is missing' => ["material,surface,held\n", 'line 1: The first line names'];
        yield 'a grade' => ["material,surface,grade,held\npla,pei,superb,1\n", 'line 2: The column grade says strong, fair'];
        yield 'an answer' => ["material,surface,grade,held\npla,pei,fair,perhaps\n", 'line 2: The column held says 1 or yes'];
        yield 'a sum' => ["material,surface,grade,held,x_job\npla,pei,fair,1,1e9\n", 'line 2: The column x_job holds numbers from -50 to 50.'];
        yield 'cells' => ["material,surface,grade,held\npla,pei,fair\n", 'line 2: This line has more or fewer cells'];
    }

    #[DataProvider('spoiltLogs')]
    public function testASpoiltLogIsNotTakenAndEachFaultIsTold(string $table, string $words): void
    {
        $tester = $this->forecast($table);
        self::assertSame(2, $tester->getStatusCode());
        self::assertStringContainsString($words, $tester->getErrorOutput());
    }

    /** Two shops of each kind: nearer to the truth than a running share, and ranges that hold it. */
    public function testWhatIsLearnedFromSimulatedLogsIsNearerThanARunningShare(): void
    {
        $tester = new CommandTester((new Application(self::bootKernel()))->find('sitzplatz:simulate-logs'));
        $tester->execute(['--shops' => '2', '--prints' => '300', '--every' => '75']);
        $tester->assertCommandIsSuccessful();
        self::assertSame(1, preg_match('/over all: ([\d.]+) had on the average; ranges hold ([\d.]+) %/', $tester->getDisplay(), $match));
        self::assertGreaterThan(0.45, (float) ($match[1] ?? 0));
        self::assertGreaterThan(80.0, (float) ($match[2] ?? 0));
        self::assertSame(8, substr_count($tester->getDisplay(), 'of what it loses is had'));
    }

    /** @param array<string, mixed> $more */
    private function forecast(string $table, array $more = []): CommandTester
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'log');
        file_put_contents($file, $table);
        try {
            $tester = new CommandTester((new Application(self::bootKernel()))->find('sitzplatz:forecast'));
            $tester->execute(['file' => $file] + $more, ['capture_stderr_separately' => true]);
        } finally {
            unlink($file);
        }

        return $tester;
    }

    public function testTheSimulatedBenchHasAHiddenTruth(): void
    {
        $bench = new SimulatedBench(['pla/glass/bare' => ['hot' => [30.0, 3.0], 'cold' => [4.0, 1.0]]], new Xoshiro256StarStar(7));
        $peaks = static fn (string $pull): array => array_map(
            static fn (): float => PullTrace::of($bench->pull(new Bench('pla', 'glass', null, $pull, 60)), SimulatedBench::RANGE_N)->peakN,
            range(1, 200),
        );
        $mean = static fn (array $values): float => array_sum($values) / \count($values);
        // Five standard errors either way.
        self::assertEqualsWithDelta(30, $mean($peaks('hot')), 5 * 3 / sqrt(200));
        self::assertEqualsWithDelta(4, $mean($peaks('cold')), 5 * 1 / sqrt(200) + 0.1);
        self::assertTrue(PullTrace::of($bench->pull(new Bench('pla', 'glass', null, 'hot', 60)), SimulatedBench::RANGE_N)->gaveWay);
    }

    /** @param array<string, string> $more */
    private function judge(string $table, array $more): CommandTester
    {
        return $this->onFile('sitzplatz:judge', $table, $more);
    }

    /** @return array<mixed> */
    private function json(string $command, string $content): array
    {
        $tester = $this->onFile($command, $content);
        $tester->assertCommandIsSuccessful();
        $answer = json_decode($tester->getDisplay(), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($answer);

        return $answer;
    }

    /** @param array<string, string> $more */
    private function onFile(string $command, string $content, array $more = []): CommandTester
    {
        $file = tempnam(sys_get_temp_dir(), 'given');
        self::assertIsString($file);
        file_put_contents($file, $content);
        $tester = new CommandTester((new Application(self::bootKernel()))->find($command));
        $tester->execute($more + ['file' => $file], ['capture_stderr_separately' => true]);
        unlink($file);

        return $tester;
    }
}
