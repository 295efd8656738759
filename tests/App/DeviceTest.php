<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Catalogue\ShopCatalogue;
use App\Device\GaugeStandInCommand;
use App\Test\RunRepository;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Measures;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Uid\Uuid;

/** A simulated device proves nothing outside the demo: it is not started there, not reached, and what it said is left out. */
final class DeviceTest extends ApiTestCase
{
    public function testTheStandInDoesNotStartOutsideTheDemo(): void
    {
        $tester = new CommandTester(new GaugeStandInCommand('.', 1, false));
        self::assertSame(1, $tester->execute([]));
        self::assertStringContainsString('no simulated gauge outside of the demo', $tester->getDisplay());
    }

    public function testGaugesStandOnTheShelfAndASimulatedOneCannotBeMadeByHand(): void
    {
        $this->signIn('technician');
        $demo = $this->pick('/api/gauges', 'name', 'Bench gauge');
        self::assertTrue($demo['simulated']);
        $new = [
            'name' => 'Hanging scale',
            'address' => '192.0.2.7:4001',
            'rangeN' => 500,
            'resolutionN' => 0.5,
            'checkedOn' => '2026-11-01',
            'checkedWithN' => 98.07,
            'checkShowedN' => 98.5,
        ];
        $this->ask('POST', '/api/gauges', $new + ['simulated' => true], 422);
        $this->ask('POST', '/api/gauges', ['address' => 'nowhere'] + $new, 422);
        $made = $this->ask('POST', '/api/gauges', $new, 201);
        self::assertFalse($made['simulated']);
        $edit = ['version' => 1, 'name' => 'Bench gauge', 'address' => '192.0.2.7:4001', 'rangeN' => 200, 'resolutionN' => 0.01, 'retired' => false];
        self::assertSame(
            'stand-in',
            $this->ask('PUT', "/api/gauges/{$demo['id']}", ['version' => $demo['version']] + $edit, 200)['address'],
            'A simulated gauge is not made real by an address.',
        );
    }

    public function testAReadingKnowsItsDevice(): void
    {
        $this->signIn('technician');
        $comparison = $this->pick('/api/comparisons', 'status', 'closed');
        $run = array_values(array_filter(
            $this->ask('GET', "/api/comparisons/{$comparison['id']}", null, 200)['runs'],
            static fn (array $r): bool => 'hot' === $r['pull'] && 'held' === $r['outcome'],
        ))[0];
        $pull = array_values(array_filter(
            $this->ask('GET', "/api/runs/{$run['id']}", null, 200)['readings'],
            static fn (array $r): bool => 'pull_hot' === $r['measure'],
        ))[0];
        self::assertSame(['gauge', true], [$pull['source'], $pull['simulated']]);
        self::assertNotNull($this->database()->fetchOne('SELECT gauge_id FROM reading WHERE id = ?', [Uuid::fromString($pull['id'])->toBinary()]));
    }

    public function testWhatASimulatedGaugeSaidIsLeftOutOutsideTheDemo(): void
    {
        $entities = self::getContainer()->get(EntityManagerInterface::class);
        self::assertInstanceOf(EntityManagerInterface::class, $entities);
        $shop = self::getContainer()->get(ShopCatalogue::class);
        self::assertInstanceOf(ShopCatalogue::class, $shop);
        $where = "r.status = 'done' AND m.measure IN ('pull_hot', 'pull_cold')";
        $count = fn (bool $demo): int => iterator_count((new RunRepository($entities, $this->database(), new Measures(), $shop, $demo))->standingRows($where, []));
        self::assertGreaterThan(30, $count(true));
        self::assertSame(0, $count(false), 'All pulls of the demo are simulated.');
    }
}
