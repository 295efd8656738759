<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\ReadingsCsv;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\TableMatch;

/** Tables as people keep them (common practice): a line a run, the scale in kg, yes and no in words, "more than" as a sign. */
final class TableMatchTest extends TestCase
{
    public function testAHeadingTellsWhatItCan(): void
    {
        $measures = new Measures();
        $match = TableMatch::guess('Plate;Run no;Held?;Hot pull (kg);Cold pull (kg);Lift mm;Remark', $measures);
        self::assertSame([0, 1], [$match->setupColumn, $match->runColumn]);
        self::assertSame(
            [[2, 'held', ''], [3, 'pull_hot', 'kgf'], [4, 'pull_cold', 'kgf'], [5, 'lift', 'mm']],
            array_map(array_values(...), $match->readings),
        );
        self::assertSame(['lift', 'lift'], array_column(TableMatch::guess('setup,lift 1,lift 2', $measures)->readings, 'measure'), 'Of both ends.');
        self::assertSame([], TableMatch::guess('setup,photo,attempt,bedtemp', $measures)->readings, 'A part of a word is no word.');
        self::assertSame(['release_temp', 'effort'], array_column(TableMatch::guess('setup;Release temperature (°C);Release', $measures)->readings, 'measure'));
        self::assertSame(['held'], array_column(TableMatch::guess('setup,held,held?', $measures)->readings, 'measure'), 'A part holds once.');
        self::assertFalse(TableMatch::isUsual('Plate;Run no'));
        self::assertTrue(TableMatch::isUsual("\u{FEFF}setup,run,measure,value,unit,status\r"));
        self::assertSame(TableMatch::signature("Plate\tRUN"), TableMatch::signature('plate;run'), 'However its columns are parted.');
        self::assertSame('lbf', TableMatch::guess('setup,pull in lbs', $measures)->readings[0]['unit']);
    }

    public function testALineARunBecomesALineAReadingAndFaultsKeepTheirPlace(): void
    {
        $lines = ['Plate;Run;Held?;Pull (kg);Lift 1;Lift 2', 'glass;1;yes;0,45;0,1;0,2', 'glass;2;no;-;;', '', 'old "PEI", front;1;ok;> 2;0;0', 'glass;3;perhaps;1,0;0;0'];
        $match = new TableMatch(0, 1, [
            ['column' => 2, 'measure' => 'held', 'unit' => ''],
            ['column' => 3, 'measure' => 'pull_cold', 'unit' => 'kgf'],
            ['column' => 4, 'measure' => 'lift', 'unit' => 'mm'],
            ['column' => 5, 'measure' => 'lift', 'unit' => 'mm'],
        ], ['glass' => 'A', 'old "PEI", front' => 'B']);
        [$usual, $from] = $match->usual($lines, new Measures());
        $csv = ReadingsCsv::read($usual);
        self::assertCount(1, $csv->faults);
        self::assertSame(6, $from[$csv->faults[0]['line'] - 1], 'In the line where it stands.');
        $csv = ReadingsCsv::read(\array_slice($usual, 0, -4));
        self::assertSame([], $csv->faults);
        $records = $csv->records();
        self::assertSame(['A', 'B'], array_column($records, 'name'));
        // 0.45 kgf (NIST SP 811, from memory): 4.4129925 N
        self::assertEqualsWithDelta(4.4129925, $records[0]->readings(Measure::PullCold)[0]->value, 1e-9);
        self::assertSame([1.0, 0.0], array_map(static fn ($reading): float => $reading->value, $records[0]->readings(Measure::Held)));
        self::assertTrue($records[1]->readings(Measure::PullCold)[0]->atLeast, '"> 2" is a lower bound.');
        self::assertCount(2, $records[0]->readings(Measure::Lift));
    }

    public function testWhereRunsHaveNoNumberTheLineIsOne(): void
    {
        $match = new TableMatch(0, null, [['column' => 1, 'measure' => 'held', 'unit' => '']], ['glass' => 'A']);
        [$usual] = $match->usual(['Plate;Held?', 'glass;yes', 'glass;no'], new Measures());
        self::assertSame(['A,line 2,held,1,,exact', 'A,line 3,held,0,,exact'], \array_slice(array_map(static fn (string $line): string => str_replace('"', '', $line), $usual), 1));
    }

    public function testSetupsThatAreCalledOtherwiseAreRenamedInTheUsualTableToo(): void
    {
        $match = new TableMatch(0, 1, [], ['plate 3, front' => 'C']);
        self::assertSame(['setup,run', 'C,1', 'A,2'], $match->renamed(['setup,run', '"plate 3, front",1', 'A,2']));
    }
}
