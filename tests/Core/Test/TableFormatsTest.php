<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Test\Table\SemicolonTable;
use Sitzplatz\Test\TableFormats;

/** Tables that come otherwise are the same table in the end. */
final class TableFormatsTest extends TestCase
{
    public function testASpreadsheetWithDecimalCommasIsRead(): void
    {
        $formats = new TableFormats([new SemicolonTable()]);
        $csv = ReadingsCsv::read($formats->usual(["\u{FEFF}setup;run;measure;value;unit;status", 'A;1;pull_hot;24,5;N;exact', 'A;1;held;1;;exact']));
        self::assertSame([], $csv->faults);
        self::assertEqualsWithDelta(24.5, $csv->rows[0]['value'], 1e-12);
        $faulty = ReadingsCsv::read($formats->usual(['setup;run;measure;value;unit;status', 'A;1;held;1;;exact', 'A;1;pull_hot;two;N;exact']));
        self::assertSame([3], array_column($faulty->faults, 'line'), 'A fault keeps its line.');
    }

    public function testTheUsualTableIsLeftAsItIs(): void
    {
        $lines = ['setup,run,measure,value,unit,status', 'A,1,held,1,,exact'];
        self::assertSame($lines, (new TableFormats([new SemicolonTable()]))->usual($lines));
    }

    public function testWhatIsWrittenIsReadAgain(): void
    {
        $table = "setup,run,measure,value,unit,status\nA,1,held,1,,exact\nA,1,pull_hot,24.5,N,at_least\nB,2,lift,0.2,mm,exact\n";
        $rows = [];
        foreach (ReadingsCsv::read(explode("\n", rtrim($table)))->rows as $row) {
            self::assertNotNull($row['reading']);
            $rows[] = ['setup' => $row['setup'], 'run' => (int) $row['run'], 'reading' => $row['reading'], 'void' => false];
        }
        self::assertSame(str_replace(',1,,exact', ',1.0,,exact', $table), preg_replace('/,1,,exact/', ',1.0,,exact', ReadingsCsv::write($rows)));
    }
}
