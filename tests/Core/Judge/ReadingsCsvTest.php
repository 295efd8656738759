<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Measure;

final class ReadingsCsvTest extends TestCase
{
    private const HEADER = "setup,run,measure,value,unit,status\n";

    public function testSetupsComeInFileOrderAndRunsTogether(): void
    {
        $csv = self::read(self::HEADER."glass,1,pull_hot,2.5,kgf,exact\n\"textured, new\",,pull_hot,20,N,at_least\nglass,1,held,1,,exact\nglass,2,held,0,,void\n\n");
        self::assertSame([], $csv->faults);
        $records = $csv->records();
        self::assertSame(['glass', 'textured, new'], array_map(static fn (SetupRecord $r): string => $r->name, $records));
        self::assertCount(1, $records[0]->runs, 'A void row is left out.');
        self::assertEqualsWithDelta(24.516625, $records[0]->readings(Measure::PullHot)[0]->value, 1e-12);
        self::assertTrue($records[1]->readings(Measure::PullHot)[0]->atLeast);
    }

    public function testByteOrderMarkWindowsLinesAndSpacesAreTaken(): void
    {
        $csv = self::read("\xEF\xBB\xBFSetup, Run ,measure,value,unit,status\r\n1, 1 ,lift,0.25,mm,exact\r\n1,1,lift,.3,mm,exact\r\n");
        self::assertSame([], $csv->faults);
        self::assertSame('1', $csv->records()[0]->name);
        self::assertCount(2, $csv->records()[0]->readings(Measure::Lift), 'Each end of a bar has its lift.');
    }

    /** @return iterable<string, array{string, int, string}> */
    public static function faults(): iterable
    {
        yield 'empty' => ['', 1, 'The first line has to be'];
        yield 'only a header' => [self::HEADER, 1, 'no readings'];
        yield 'wrong header' => ["a,b,c\n1,2,3\n", 1, 'The first line has to be'];
        yield 'cells' => [self::HEADER."A,1,held\n", 2, '3 cells'];
        yield 'setup' => [self::HEADER.",1,held,1,,exact\n", 2, 'setup is missing'];
        yield 'measure' => [self::HEADER."A,1,pull,1,N,exact\n", 2, '"pull" is not a measure'];
        yield 'status' => [self::HEADER."A,1,held,1,,ok\n", 2, '"ok" is not a status'];
        yield 'number' => [self::HEADER."A,1,pull_hot,\"1,5\",N,exact\n", 2, 'is not a number'];
        yield 'nan' => [self::HEADER."A,1,pull_hot,NAN,N,exact\n", 2, 'is not a number'];
        yield 'overflow' => [self::HEADER."A,1,pull_hot,1e999,N,exact\n", 2, 'pull_hot has to be'];
        yield 'unit' => [self::HEADER."A,1,pull_hot,3,kg,exact\n", 2, 'N or kgf or lbf'];
        yield 'effort' => [self::HEADER."A,1,effort,7,,exact\n", 2, 'from 0 (loose) to 4'];
        yield 'lower bound' => [self::HEADER."A,1,effort,2,,at_least\n", 2, 'only a pull force'];
        yield 'twice' => [self::HEADER."A,1,held,1,,exact\nA,1,held,1,,exact\n", 3, 'already has held in line 2'];
        yield 'encoding' => [self::HEADER."A,1,held,1,\xFF,exact\n", 2, 'UTF-8'];
    }

    #[DataProvider('faults')]
    public function testEveryFaultNamesItsLineAndNothingIsTaken(string $table, int $line, string $words): void
    {
        $csv = self::read($table."\n");
        self::assertNotSame([], $csv->faults);
        self::assertSame($line, $csv->faults[0]['line']);
        self::assertStringContainsString($words, $csv->faults[0]['message']);
        self::assertSame([], $csv->rows);
        self::assertSame([], $csv->records());
    }

    public function testAllFaultsAreSaidAtOnce(): void
    {
        self::assertSame([2, 4], array_column(self::read(self::HEADER."A,1,held,3,,exact\nA,2,held,1,,exact\nA,3,what,1,,exact\n")->faults, 'line'));
    }

    private static function read(string $table): ReadingsCsv
    {
        return ReadingsCsv::read(explode("\n", rtrim($table, "\n")));
    }
}
