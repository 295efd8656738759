<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** A log of prints that somebody kept elsewhere is read in: all of it or nothing, and twice is once. */
final class JobImportTest extends ApiTestCase
{
    private const HEAD = "began,printer,plate,agent,lot,material,bed,title,parts,minutes,ended,how_off,damaged,note\n";
    private const LINES = "2026-11-03T14:20Z,North bay,P1 front,,L-101,,60,Filter cell,2,184,held,finger,no,\n"
        ."2026-11-04T08:00Z,north bay,p3 FRONT,White stick,,pla,55,Cap,1,,,,,\n";

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testItIsLookedAtAndThenTaken(): void
    {
        $body = ['table' => self::HEAD.self::LINES, 'take' => false];
        self::assertSame(['prints' => 2, 'known' => 0, 'open' => 1, 'faults' => []], $this->ask('POST', '/api/jobs/import', $body, 200));
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM job'), 'A look takes nothing.');
        $this->ask('POST', '/api/jobs/import', ['take' => true] + $body, 201);
        self::assertSame(2, $this->ask('POST', '/api/jobs/import', ['take' => true] + $body, 201)['known']);
        self::assertSame(2, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM job'), 'Read in twice, it is there once.');
        self::assertSame(2, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM job WHERE room_c IS NULL'), 'Nobody measured the room.');
        $job = $this->ask('GET', '/api/jobs?status=answered', null, 200)[0];
        self::assertSame(['Filter cell', 'P1 front', 'L-101', 2, 'held', 1, true, null], [$job['title'], $job['sideLabel'], $job['lotLabel'], $job['parts'], $job['outcome'], $job['effort'], $job['cameTrue'], $job['saidChance']]);
        self::assertEqualsWithDelta(184, $job['minutes'], 1e-9);
        self::assertSame('White stick', $this->ask('GET', '/api/jobs?status=open', null, 200)[0]['agentName']);
    }

    public function testALogOfEarlierWearsNoSheetOfToday(): void
    {
        $side = $this->pick('/api/plate-sides', 'label', 'P1 front')['id'];
        $before = $this->ask('GET', "/api/plate-sides/$side/care", null, 200)['prints'];
        $this->ask('POST', '/api/jobs/import', ['table' => self::HEAD.explode("\n", self::LINES)[0]."\n", 'take' => true], 201);
        self::assertSame($before + 1, $this->ask('GET', "/api/plate-sides/$side/care", null, 200)['prints']);
        $this->ask('POST', "/api/plate-sides/$side/fittings", ['surfaceId' => 'pei_textured', 'surfaceLot' => 'sheet 26-A', 'limitC' => null], 201);
        $this->ask('POST', '/api/jobs/import', ['table' => self::HEAD.str_replace('Filter cell', 'Another', explode("\n", self::LINES)[0])."\n", 'take' => true], 201);
        self::assertSame(0, $this->ask('GET', "/api/plate-sides/$side/care", null, 200)['prints']);
        self::assertSame(1, (int) $this->database()->fetchOne('SELECT COUNT(DISTINCT fitting_id) FROM job'), 'Both were made on the sheet that lay there then.');
    }

    public function testATableWithAFaultIsNotTaken(): void
    {
        $table = self::HEAD.self::LINES."2026-11-05T08:00Z,Attic,P1 front,,L-101,,60,Cell,1,10,held,finger,no,\n2026-11-05T09:00Z,Dome,P99 front,,,wood,60,Cell,1,10,held,finger,no,\n";
        $seen = $this->ask('POST', '/api/jobs/import', ['table' => $table, 'take' => false], 200);
        self::assertSame([4, 5], array_column($seen['faults'], 'line'));
        self::assertStringContainsString('Attic', $seen['faults'][0]['message']);
        self::assertSame('line 4', $this->ask('POST', '/api/jobs/import', ['table' => $table, 'take' => true], 422)['errors'][0]['field']);
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM job'));
    }
}
