<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Device\ThermometerStandInCommand;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;

/** A thermometer on the plate: what it showed when the part let go is the reading, by a touch or by the gauge. */
final class CoolingTest extends ApiTestCase
{
    use GoesThroughARun;

    public function testTheStandInDoesNotStartOutsideTheDemo(): void
    {
        $tester = new CommandTester(new ThermometerStandInCommand(1, false));
        self::assertSame(1, $tester->execute([]));
        self::assertStringContainsString('no simulated thermometer outside of the demo', $tester->getDisplay());
    }

    public function testThermometersStandOnTheShelf(): void
    {
        $this->signIn('technician');
        self::assertTrue($this->pick('/api/thermometers', 'name', 'Plate probe')['simulated']);
        $this->ask('POST', '/api/thermometers', ['name' => 'Probe two', 'address' => 'nowhere'], 422);
        $made = $this->ask('POST', '/api/thermometers', ['name' => 'Probe two', 'address' => '192.0.2.8:4002', 'checkedAtC' => 0, 'checkShowedC' => 0.4], 201);
        $edit = ['version' => $made['version'], 'name' => 'Probe two', 'address' => '192.0.2.8:4002', 'retired' => true];
        self::assertTrue($this->ask('PUT', "/api/thermometers/{$made['id']}", $edit, 200)['retired']);
        [$run] = $this->cooling();
        self::assertSame(
            'thermometerId',
            $this->ask('POST', "/api/runs/$run/cooling", ['thermometerId' => $made['id']], 422)['errors'][0]['field'],
            'What is retired is not watched.',
        );
    }

    public function testTheTemperatureIsCaughtByATouch(): void
    {
        [$run, $probe] = $this->cooling();
        self::assertArrayNotHasKey('id', (array) $this->ask('GET', "/api/runs/$run/cooling", null, 200)['cooling']);
        $key = $this->watched($run, $probe, seconds: 30, from: 60.0, to: 50.0);
        $shown = $this->ask('GET', "/api/runs/$run/cooling", null, 200)['cooling'];
        self::assertEqualsWithDelta(50.0, $shown['celsius'], 1e-6);
        self::assertGreaterThan(0, $shown['secondsLeft']);
        $reading = $this->ask('POST', "/api/coolings/$key/reading", null, 201);
        self::assertSame(['release_temp', 'thermometer', true], [$reading['measure'], $reading['source'], $reading['simulated']]);
        self::assertEqualsWithDelta(50.0, $reading['value'], 0.5);
        self::assertSame($reading['id'], $this->ask('POST', "/api/coolings/$key/reading", null, 200)['id'], 'It lets go once.');
        self::assertSame('ended', $this->ask('GET', "/api/runs/$run/cooling", null, 200)['cooling']['state']);
    }

    public function testAThermometerThatShowedNothingThenIsNoReading(): void
    {
        [$run, $probe] = $this->cooling();
        $key = $this->watched($run, $probe, seconds: 30, from: 60.0, to: 42.0);
        $this->database()->executeStatement('UPDATE cooling SET began_at = began_at - INTERVAL 5 MINUTE WHERE id = ?', [$key->toBinary()]);
        self::assertStringContainsString('Type the reading in', $this->ask('POST', "/api/coolings/$key/reading", null, 409)['detail']);
        self::assertSame([], array_filter($this->ask('GET', "/api/runs/$run", null, 200)['readings'], static fn (array $r): bool => 'release_temp' === $r['measure']));
    }

    public function testTheGaugeThatPullsThePartOffCatchesIt(): void
    {
        [$run, $probe, $version] = $this->cooling();
        $this->watched($run, $probe, seconds: 30, from: 60.0, to: 30.0);
        $this->ask('POST', "/api/runs/$run/step", ['version' => $version, 'step' => 'cold_pull'], 200);
        $pull = Uuid::v7();
        $this->ask('POST', "/api/runs/$run/captures", ['id' => $pull->toRfc4122()], 201);
        foreach ([0, 2.5, 6.25, 0.5] as $i => $force) {
            $this->database()->insert('gauge_sample', ['capture_id' => $pull->toBinary(), 'milliseconds' => 5000 * $i, 'force_n' => $force]);
        }
        // The pull began when the watch did; its peak came ten seconds later.
        $this->database()->executeStatement(
            "UPDATE gauge_capture SET state = 'ended', range_n = 200, began_at = (SELECT began_at FROM cooling WHERE run_id = gauge_capture.run_id)",
        );
        $this->ask('POST', "/api/captures/$pull/reading", ['partBroke' => false], 201);
        $noted = array_column($this->ask('GET', "/api/runs/$run", null, 200)['readings'], null, 'measure');
        self::assertEqualsWithDelta(6.25, $noted['pull_cold']['value'], 1e-9);
        self::assertEqualsWithDelta(50.0, $noted['release_temp']['value'], 0.1, 'From 60 to 30 °C in 30 s: a third of the way.');
    }

    /** @return array{string, string, int} a run that cools, the thermometer of the demo, and the version of the run */
    private function cooling(): array
    {
        $this->signIn('technician');
        $probe = $this->pick('/api/thermometers', 'name', 'Plate probe')['id'];
        [$id, $version] = $this->planned('cold');
        $this->ask('POST', "/api/runs/$id/cooling", ['thermometerId' => $probe], 409);
        $version = $this->step($id, $version, 'first_layer');
        $version = $this->ask('POST', "/api/runs/$id/outcome", ['version' => $version, 'outcome' => 'held', 'note' => ''], 200)['run']['version'];

        return [$id, $probe, $this->step($id, $version, 'cool')];
    }

    /** As the reader would have filled it until now. */
    private function watched(string $run, string $probe, int $seconds, float $from, float $to): Uuid
    {
        $key = Uuid::v7();
        self::assertSame('waiting', $this->ask('POST', "/api/runs/$run/cooling", ['id' => $key->toRfc4122(), 'thermometerId' => $probe], 201)['cooling']['state']);
        $this->ask('POST', "/api/coolings/$key/reading", null, 409);
        $this->database()->executeStatement(
            "UPDATE cooling SET state = 'watching', began_at = UTC_TIMESTAMP(6) - INTERVAL ? SECOND WHERE id = ?",
            [$seconds, $key->toBinary()],
        );
        for ($s = 0; $s <= $seconds; ++$s) {
            $this->database()->insert('temperature_sample', [
                'cooling_id' => $key->toBinary(),
                'milliseconds' => 1000 * $s,
                'celsius' => $from + ($to - $from) * $s / $seconds,
            ]);
        }

        return $key;
    }
}
