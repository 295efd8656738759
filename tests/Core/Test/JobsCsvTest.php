<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\JobsCsv;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Words\Sentence;

final class JobsCsvTest extends TestCase
{
    public function testALineIsReadAsItWasWritten(): void
    {
        $table = JobsCsv::read("\u{FEFF}began,printer,plate,lot,bed,room,title,parts,minutes,ended,how_off,damaged,note\r\n"
            ."2026-11-03T14:20+01:00,North bay,P1 front,L-101,60,23.5,\"Filter cell, set of two\",2,184.5,held,finger,no,\"said \"\"fine\"\"\"\r\n\r\n2026-11-04 08:00,Dome,P7 front,,,,Cover,,,,,,\n");
        self::assertSame([], $table->faults);
        [$first, $second] = $table->lines;
        self::assertSame(
            [2, '2026-11-03T14:20:00+01:00', 'Filter cell, set of two', 2, Outcome::Held, Effort::Finger, false, 'said "fine"'],
            [$first->number, $first->began, $first->title, $first->parts, $first->ended, $first->effort, $first->damaged, $first->note],
        );
        self::assertEqualsWithDelta([60.0, 184.5, 23.5], [$first->bedC, $first->minutes, $first->roomC], 1e-12);
        self::assertSame([4, 1, null, null, null, null, ''], [$second->number, $second->parts, $second->ended, $second->minutes, $second->bedC, $second->roomC, $second->agent]);
    }

    public function testCellsMayBeAsLongAsTheyAreKept(): void
    {
        $table = JobsCsv::read("began,printer,plate,title\n2026-11-03T14:20,".str_repeat('p', 500).',P1 front,'.str_repeat('t', 160)."\n");
        self::assertSame([[], 160], [$table->faults, mb_strlen($table->lines[0]->title)]);
    }

    /** @return iterable<string, array{string, string, int}> table, key of the fault, its line */
    public static function faults(): iterable
    {
        $head = "began,printer,plate,title,parts,minutes,ended,how_off,damaged,bed,room\n";
        $good = '2026-11-03T14:20,North bay,P1 front,Cell,1,10,held,finger,no,60,21';
        yield 'no head' => ['x,y', 'jobs_csv.header', 1];
        yield 'nothing' => ['', 'jobs_csv.header', 1];
        yield 'not text' => ["\xFF\xFE", 'table.not_utf8', 1];
        yield 'too many' => [$head.str_repeat("$good\n", JobsCsv::MOST_LINES + 1), 'jobs_csv.too_many', JobsCsv::MOST_LINES + 2];
        foreach ([
            ['2026-11-03T14:20', 'yesterday', 'jobs_csv.began'], ['2026-11-03', '2026-13-45', 'jobs_csv.began'], ['Cell', '', 'jobs_csv.empty'], ['Cell', str_repeat('x', 161), 'jobs_csv.long'], ['North bay', str_repeat('x', 501), 'jobs_csv.long'],
            ['Cell,1', 'Cell,1.5', 'jobs_csv.number'], ['Cell,1', 'Cell,0', 'jobs_csv.number'], ['10', '-3', 'jobs_csv.number'], ['60', 'hot', 'jobs_csv.number'],
            ['held', 'stuck', 'jobs_csv.ended'], ['finger', 'crowbar', 'jobs_csv.how_off'], ['finger', '', 'job_life.say_effort'], ['no', 'maybe', 'jobs_csv.damaged'], ['21', '61', 'jobs_csv.number'], ['21', '21,extra', 'jobs_csv.more_cells'],
        ] as [$was, $is, $key]) {
            yield "$was as $is" => [$head.$good."\n".str_replace($was, $is, $good), $key, 3];
        }
    }

    #[DataProvider('faults')]
    public function testAFaultIsToldByItsLineAndNothingIsTaken(string $table, string $key, int $line): void
    {
        $read = JobsCsv::read($table);
        self::assertSame([], $read->lines);
        self::assertSame([[$line, $key]], array_map(static fn (array $fault): array => [$fault['line'], $fault['message'] instanceof Sentence ? $fault['message']->key : ''], $read->faults));
    }
}
