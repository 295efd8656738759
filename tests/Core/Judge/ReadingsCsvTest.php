<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Measure;
use Sitzplatz\Tests\Core\Words\Said;

final class ReadingsCsvTest extends TestCase
{
    private const HEADER = "setup,run,measure,value,unit,status\n";

    public function testSetupsComeInFileOrderAndRunsTogether(): void
    {
        $csv = self::read(self::HEADER
            ."glass,1,pull_hot,2.5,kgf,exact\n\"textured, new\",,pull_hot,20,N,at_least\nglass,1,held,1,,exact\nglass,2,held,0,,void\nglass,3,pull_hot,,N,void\n\n");
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
        yield 'empty' => ['', 1, 'table.empty header='.rtrim(self::HEADER)];
        yield 'only a header' => [self::HEADER, 1, 'table.no_readings'];
        yield 'wrong header' => ["a,b,c\n1,2,3\n", 1, 'table.header header='.rtrim(self::HEADER)];
        yield 'cells' => [self::HEADER."A,1,held\n", 2, 'table.cells cells=3 wanted=6 header='.rtrim(self::HEADER)];
        yield 'setup' => [self::HEADER.",1,held,1,,exact\n", 2, 'table.no_setup'];
        yield 'measure' => [
            self::HEADER."A,1,pull,1,N,exact\n",
            2,
            'table.measure given=pull measures=[pull_hot; pull_cold; lift; held; effort; release_temp; damage; print_minutes]',
        ];
        yield 'status' => [self::HEADER."A,1,held,1,,ok\n", 2, 'table.status given=ok'];
        yield 'number' => [self::HEADER."A,1,pull_hot,\"1,5\",N,exact\n", 2, 'table.number given=1,5'];
        yield 'nan' => [self::HEADER."A,1,pull_hot,NAN,N,exact\n", 2, 'table.number given=NAN'];
        yield 'overflow' => [self::HEADER."A,1,pull_hot,1e999,N,exact\n", 2, 'reading.value measure=measure.pull_hot wanted=reading.wanted.number'];
        yield 'no number' => [self::HEADER."A,1,pull_hot,,N,exact\n", 2, 'table.number given='];
        yield 'unit' => [self::HEADER."A,1,pull_hot,3,kg,exact\n", 2, 'reading.unit measure=measure.pull_hot units=[N; kgf; lbf] unit=kg'];
        yield 'effort' => [self::HEADER."A,1,effort,7,,exact\n", 2, 'reading.value measure=measure.effort wanted=reading.wanted.effort'];
        yield 'lower bound' => [self::HEADER."A,1,effort,2,,at_least\n", 2, 'reading.not_at_least measure=measure.effort'];
        yield 'twice' => [self::HEADER."A,1,held,1,,exact\nA,1,held,1,,exact\n", 3, 'table.repeated run=1 setup=A measure=measure.held line=2'];
        yield 'encoding' => [self::HEADER."A,1,held,1,\xFF,exact\n", 2, 'table.not_utf8'];
    }

    #[DataProvider('faults')]
    public function testEveryFaultNamesItsLineAndNothingIsTaken(string $table, int $line, string $words): void
    {
        $csv = self::read($table."\n");
        self::assertNotSame([], $csv->faults);
        self::assertSame($line, $csv->faults[0]['line']);
        self::assertSame($words, Said::of($csv->faults[0]['message']));
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
