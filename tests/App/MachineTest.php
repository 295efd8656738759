<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Device\SimulatedPrinter;
use App\Test\RunTally;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** Printers report their prints with a token; how they came out, only a person says. */
final class MachineTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    private string $printer = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('lead');
        $this->printer = $this->pick('/api/printers', 'name', 'North bay')['id'];
    }

    public function testAPrintBegunByHandIsTheOneThatThePrinterReports(): void
    {
        $token = $this->token();
        $job = $this->begun();
        $reported = $this->report($token, ['key' => 'p-1', 'event' => 'begin'], 200);
        self::assertSame([$job['id'], false], [$reported['id'], $reported['assumed']]);
        self::assertSame($job['id'], $this->report($token, ['key' => 'p-1', 'event' => 'begin'], 200)['id'], 'Sent twice, it is one print.');
        $this->report($token, ['key' => 'p-1', 'event' => 'end', 'minutes' => 312.5], 200);
        $open = $this->ask('GET', '/api/jobs?status=open', null, 200)[0];
        self::assertSame(['open', 312.5], [$open['status'], $open['reportedMinutes']], 'It is not taken as held.');
        $done = $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $open['version'], 'outcome' => 'held', 'effort' => 0], 200);
        self::assertEqualsWithDelta(312.5, $done['minutes'], 1e-9, 'Measured by the printer, whatever was planned.');
        $this->report($token, ['key' => 'p-1', 'event' => 'end', 'minutes' => 5], 409);
    }

    public function testAPrintThatNobodyBeganIsTakenToBeLikeTheLast(): void
    {
        $token = $this->token();
        self::assertStringContainsString('Begin one print of it in Choose', $this->report($token, ['key' => 'p-1', 'event' => 'begin'], 409)['detail']);
        $job = $this->begun();
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'held', 'effort' => 0], 200);
        self::assertTrue($this->report($token, ['key' => 'p-2', 'event' => 'begin', 'title' => 'Filter drawer', 'minutes' => 90], 201)['assumed']);
        $open = $this->ask('GET', '/api/jobs?status=open', null, 200)[0];
        self::assertSame(
            ['Filter drawer', $job['plateSideId'], $job['agentName'], true, 'North bay', null],
            [$open['title'], $open['plateSideId'], $open['agentName'], $open['assumed'], $open['begunBy'], $open['saidChance']],
        );
        $this->database()->executeStatement('UPDATE job SET machine_begun_at = machine_begun_at - INTERVAL 30 MINUTE');
        $this->report($token, ['key' => 'p-2', 'event' => 'end'], 200);
        self::assertEqualsWithDelta(30, $this->ask('GET', '/api/jobs?status=open', null, 200)[0]['reportedMinutes'], 0.2, 'From its begin, where it does not say.');
        $this->report($token, ['key' => 'p-9', 'event' => 'end'], 404);
    }

    public function testSomebodySaysWithWhichSetupAReportedPrintReallyIs(): void
    {
        $first = $this->begun();
        $this->ask('POST', "/api/jobs/{$first['id']}/answer", ['version' => $first['version'], 'outcome' => 'held', 'effort' => 0], 200);
        $this->report($this->token(), ['key' => 'p-1', 'event' => 'begin'], 201);
        $open = $this->ask('GET', '/api/jobs?status=open', null, 200)[0];
        $side = $this->pick('/api/plate-sides', 'label', 'P3 front')['id'];
        $lot = $this->pick('/api/lots/in-use', 'label', 'L-102');
        $setup = ['version' => $open['version'], 'plateSideId' => $side, 'agentId' => $this->pick('/api/agents', 'name', 'White stick')['id'], 'lotId' => $lot['id'], 'bedC' => 62];
        self::assertSame('plateSideId', $this->ask('PUT', "/api/jobs/{$open['id']}/setup", ['plateSideId' => $open['id']] + $setup, 422)['errors'][0]['field']);
        $said = $this->ask('PUT', "/api/jobs/{$open['id']}/setup", $setup, 200);
        self::assertSame(['P3 front', 'White stick', 'L-102', $lot['materialId'], 62, false], [$said['sideLabel'], $said['agentName'], $said['lotLabel'], $said['materialId'], $said['bedFirstC'], $said['assumed']]);
        $this->ask('PUT', "/api/jobs/{$open['id']}/setup", ['version' => $said['version']] + $setup, 409);
        $before = $this->ask('GET', "/api/plate-sides/$side/care", null, 200)['prints'];
        $this->ask('POST', "/api/jobs/{$open['id']}/answer", ['version' => $said['version'], 'outcome' => 'held', 'effort' => 0], 200);
        self::assertSame($before + 1, $this->ask('GET', "/api/plate-sides/$side/care", null, 200)['prints'], 'It wears the sheet that it was on.');
        $tally = self::getContainer()->get(RunTally::class);
        self::assertInstanceOf(RunTally::class, $tally);
        self::assertSame(0, $tally->wrong());
    }

    public function testTheStandInReportsAsAnyPrinterMay(): void
    {
        $job = $this->begun();
        $this->ask('POST', "/api/jobs/{$job['id']}/answer", ['version' => $job['version'], 'outcome' => 'held', 'effort' => 0], 200);
        $token = $this->token();
        $prints = [['title' => 'Rail cover', 'minutes' => 38, 'idle' => 3], ['title' => 'Cable guide', 'minutes' => 16, 'idle' => 240]];
        $waits = [];
        foreach ((new SimulatedPrinter($prints))->reports('one') as $i => ['waitSeconds' => $wait, 'report' => $report]) {
            $waits[] = $wait / 60;
            $this->report($token, $report, 'begin' === $report['event'] ? 201 : 200);
            if (5 === $i) {
                break;
            }
        }
        self::assertEquals([3, 38, 240, 16, 3, 38], $waits, 'In turn, without end.');
        $open = $this->ask('GET', '/api/jobs?status=open', null, 200);
        self::assertEqualsCanonicalizing([['Rail cover', 38], ['Rail cover', 38], ['Cable guide', 16]], array_map(static fn (array $each): array => [$each['title'], $each['reportedMinutes']], $open));
        self::assertSame([true], array_values(array_unique(array_column($open, 'assumed'))), 'Nobody said with which setup.');
        self::assertNotSame(SimulatedPrinter::token('one'), SimulatedPrinter::token('another'), 'Its token is that of one demo.');
    }

    public function testOnlyATokenThatStandsReports(): void
    {
        $this->report('', ['key' => 'p-1', 'event' => 'begin'], 401);
        $old = $this->token();
        $new = $this->token();
        $this->begun();
        $this->report($old, ['key' => 'p-1', 'event' => 'begin'], 401);
        $this->report($new, ['key' => '', 'event' => 'begin'], 422);
        $this->report($new, ['key' => 'p-1', 'event' => 'begin'], 200);
        self::assertSame(1, $this->ask('POST', "/api/printers/$this->printer/token/withdraw", null, 200)['withdrawn']);
        $this->report($new, ['key' => 'p-2', 'event' => 'begin'], 401);
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM printer_token WHERE digest = ?', [$new]), 'The token itself is nowhere.');
        $this->signIn('technician');
        $this->ask('POST', "/api/printers/$this->printer/token", null, 403);
        $this->ask('POST', "/api/printers/$this->printer/token/withdraw", null, 403);
    }

    /** A token that got about began 200 prints on one printer. */
    public function testAPrinterBeginsNoMorePrintsThanItCanMake(): void
    {
        $clock = self::mockTime('2026-11-03 08:00:00');
        $token = $this->token();
        $this->begun();
        $this->report($token, ['key' => 'p-0', 'event' => 'begin'], 200);
        $clock->sleep(3600);
        $this->report($token, ['key' => 'p-1', 'event' => 'begin'], 201);
        self::assertStringContainsString('less than a minute ago', $this->report($token, ['key' => 'p-2', 'event' => 'begin'], 409)['detail']);
        $this->report($token, ['key' => 'p-1', 'event' => 'begin'], 200);
        for ($print = 2; $print <= 50; ++$print) {
            $clock->sleep(60);
            $this->report($token, ['key' => "p-$print", 'event' => 'begin'], 201);
        }
        $clock->sleep(60);
        self::assertStringContainsString('50 prints of this printer wait', $this->report($token, ['key' => 'p-51', 'event' => 'begin'], 409)['detail']);
    }

    private function token(): string
    {
        return $this->ask('POST', "/api/printers/$this->printer/token", null, 201)['token'];
    }

    /** @return array<string, mixed> */
    private function begun(): array
    {
        $asked = ['materialId' => 'pla', 'printerId' => $this->printer, 'lotId' => null, 'roomC' => 20, 'partCount' => 1];

        return $this->ask('POST', '/api/jobs', ['title' => 'Filter cell', 'key' => $this->ask('POST', '/api/choose', $asked, 200)['candidates'][0]['key'], 'asked' => $asked], 201);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    private function report(string $token, array $body, int $status): array
    {
        $response = $this->send('POST', '/api/machine/prints', json_encode($body, \JSON_THROW_ON_ERROR), headers: ['HTTP_AUTHORIZATION' => "Bearer $token"]);
        self::assertSame($status, $response->getStatusCode(), (string) $response->getContent());

        /** @var array<string, mixed> $said */
        $said = json_decode((string) $response->getContent(), true, 64, \JSON_THROW_ON_ERROR);

        return $said;
    }
}
