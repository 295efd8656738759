<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** Several benches at once: each printer's runs in their order, a plate on one printer at a time. */
final class BenchesTest extends ApiTestCase
{
    public function testWhatWaitsAtEachPrinterIsLaidOutOverAllOfThem(): void
    {
        $this->signIn('technician');
        $before = $this->ask('GET', '/api/benches', null, 200);
        self::assertSame(['South bay'], array_column($before['benches'], 'printerName'));
        $south = $before['benches'][0];
        self::assertSame([1, 0], [$south['runs'][0]['day'], (int) $south['runs'][0]['atMinutes']]);
        self::assertEqualsWithDelta(
            array_sum(array_map(static fn (array $run): float => array_sum(array_column($run['phases'], 'minutes')), $south['runs'])),
            $south['minutes'],
            1e-9,
        );

        // The plate that South bay begins with is wanted on the Dome too.
        $plan = $this->ask('POST', '/api/plans/begin', ['kind' => 'grid', 'measures' => [], 'sure' => 'look', 'printerId' => $this->pick('/api/printers', 'name', 'Dome')['id']], 200)['plan'];
        $busy = $this->ask('GET', "/api/comparisons/{$south['runs'][0]['comparisonId']}", null, 200);
        $first = array_values(array_filter($busy['setups'], static fn (array $s): bool => $s['sideLabel'] === $south['runs'][0]['sideLabel']))[0];
        $plan['setups'] = [['plateSideId' => $first['plateSideId'], 'agentId' => null, 'bedFirstC' => 55, 'bedOtherC' => 55]];
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 200);
        $benches = array_column($this->ask('GET', '/api/benches', null, 200)['benches'], null, 'printerName');
        self::assertSame(['Dome', 'South bay'], array_keys($benches));
        $waits = array_filter(array_merge(array_column($benches['Dome']['runs'], 'waits'), array_column($benches['South bay']['runs'], 'waits')));
        self::assertNotSame([], $waits);
        self::assertStringContainsString(strtok($first['sideLabel'], ' ').', which is on ', implode(' ', $waits));
        self::assertGreaterThan(0, $benches['Dome']['materialMm3']);
    }
}
