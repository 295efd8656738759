<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** What comes from paper and from a card: tables as people keep them, and the file that is about to be printed. */
final class PaperTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testATableAsPeopleKeepItIsMatchedOnceAndKnownAfterwards(): void
    {
        [$id, $version] = $this->started();
        $table = "Plate;Run;Held;Pull (kg);Effort;Damage;Remark\nold glass;1;yes;0,45;1;no;fine\nold glass;2;no;;;;fell off\nthe new one;1;yes;> 2;4;no;\n";
        $seen = $this->ask('POST', "/api/comparisons/$id/import-preview", ['table' => $table], 200);
        self::assertSame([['setup' => 'old glass', 'rows' => 5], ['setup' => 'the new one', 'rows' => 4]], $seen['unknownSetups'], 'All at once.');
        self::assertCount(2, $seen['faults'], 'Each once, not line by line.');
        self::assertSame([0, 1, false], [$seen['columns']['match']['setupColumn'], $seen['columns']['match']['runColumn'], $seen['columns']['remembered']]);
        $match = ['columns' => $seen['columns']['match'], 'setups' => [['given' => 'old glass', 'setup' => 'A'], ['given' => 'the new one', 'setup' => 'B']]];
        $seen = $this->ask('POST', "/api/comparisons/$id/import-preview", ['table' => $table, 'match' => $match], 200);
        self::assertSame([[], [], 3], [$seen['faults'], $seen['unknownSetups'], $seen['runs']]);
        self::assertSame([['setup' => 'A', 'runs' => 2, 'readings' => 5], ['setup' => 'B', 'runs' => 1, 'readings' => 4]], $seen['setups']);
        $pull = array_values(array_filter($seen['rows'], static fn (array $row): bool => 'pull_cold' === $row['measure']));
        self::assertSame([2, '0.45 kgf', false], [$pull[0]['line'], $pull[0]['written'], $pull[0]['atLeast']]);
        self::assertEqualsWithDelta(4.4129925, $pull[0]['value'], 1e-9, '0.45 kgf (NIST SP 811)');
        self::assertSame([4, true], [$pull[1]['line'], $pull[1]['atLeast']]);
        self::assertSame(0, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM reading WHERE source = 'table'"), 'Looking stores nothing.');

        $this->ask('POST', "/api/comparisons/$id/import", ['version' => $version, 'table' => $table, 'match' => $match], 201);
        $kept = $this->database()->fetchAssociative("SELECT value, entered_value, entered_unit FROM reading WHERE measure = 'pull_cold' AND source = 'table' AND at_least = 0") ?: [];
        self::assertSame(['0.45', 'kgf'], [(string) (float) $kept['entered_value'], $kept['entered_unit']], 'As it was written.');

        [$other] = $this->started();
        $again = $this->ask('POST', "/api/comparisons/$other/import-preview", ['table' => "plate;RUN;held;pull (KG);effort;damage;remark\nA;1;ok;1;2;no;\n"], 200);
        self::assertSame([true, []], [$again['columns']['remembered'], $again['faults']]);
        $void = ['setupColumn' => null, 'runColumn' => null, 'readings' => []];
        self::assertStringContainsString('Say below which column', $this->ask('POST', "/api/comparisons/$other/import-preview", ['table' => "x;y\n1;2\n", 'match' => ['columns' => $void]], 200)['faults'][0]['message']);
        $this->ask('POST', "/api/comparisons/$other/import-preview", ['table' => $table, 'match' => ['columns' => ['setupColumn' => -1] + $void]], 422);
    }

    public function testWhatATableCallsASetupIsKnownInTheNextComparisonToo(): void
    {
        $table = "Plate;Run;Held;Pull (kg);Effort;Damage\nrough one;1;yes;0,45;1;no\nsmooth one;1;yes;0,5;1;no\n";
        [$first, $version] = $this->started();
        $seen = $this->ask('POST', "/api/comparisons/$first/import-preview", ['table' => $table], 200);
        self::assertSame(['rough one', 'smooth one'], array_column($seen['unknownSetups'], 'setup'));
        self::assertSame([], $seen['named']);
        $match = ['setups' => [['given' => 'rough one', 'setup' => 'A'], ['given' => 'smooth one', 'setup' => 'B']]];
        $this->ask('POST', "/api/comparisons/$first/import", ['version' => $version, 'table' => $table, 'match' => $match], 201);
        // The same plates, by other letters.
        [$next] = $this->started(turned: true);
        $again = $this->ask('POST', "/api/comparisons/$next/import-preview", ['table' => $table], 200);
        self::assertSame([], $again['unknownSetups']);
        self::assertSame(['rough one' => 'B', 'smooth one' => 'A'], self::byName($again['named']));
        self::assertSame('B', array_column($again['rows'], 'setup', 'line')[2]);
        $otherwise = $this->ask('POST', "/api/comparisons/$next/import-preview", ['table' => $table, 'match' => $match], 200);
        self::assertSame('A', array_column($otherwise['rows'], 'setup', 'line')[2], 'Who says otherwise is believed.');
    }

    public function testTheFileOfAPlanIsKnownAgainAndAnotherIsNamedInWhatItDoes(): void
    {
        $file = self::gcode(58, 210);
        $read = json_decode((string) $this->send('POST', '/api/plans/file', $file, 'application/octet-stream')->getContent(), true);
        self::assertSame(hash('sha256', $file), $read['digest']);
        self::assertEqualsWithDelta([58, 210], [$read['settings']['bedFirstC'], $read['settings']['nozzleFirstC']], 1e-9);
        [$id] = $this->started(['file' => ['digest' => $read['digest'], 'bedFirstC' => 58, 'bedOtherC' => null], 'nozzleFirstC' => 210, 'firstLayerSpeedMmS' => $read['settings']['firstLayerSpeedMmS'], 'lineWidthMm' => $read['settings']['lineWidthMm']]);
        $comparison = $this->ask('GET', "/api/comparisons/$id", null, 200);
        $run = array_values(array_filter($comparison['runs'], static fn (array $each): bool => $each['setupId'] === $comparison['setups'][0]['id']))[0]['id'];
        self::assertSame('not_looked_at', $this->ask('GET', "/api/runs/$run", null, 200)['file']);
        $check = fn (string $gcode, int $status = 200): array => $this->checked($run, $gcode, $status);
        self::assertSame([true, []], [$check($file)['same'], $check($file)['differs']]);
        self::assertSame('the_same', $this->ask('GET', "/api/runs/$run", null, 200)['file']);
        $other = $check(self::gcode(70, 225));
        self::assertFalse($other['same']);
        self::assertStringContainsString("The file sets the bed to 70\u{a0}°C; this setup has 58\u{a0}°C", $other['differs'][0]);
        self::assertStringContainsString("nozzle at 225\u{a0}°C", implode(' ', $other['differs']));
        self::assertSame('another', $this->ask('GET', "/api/runs/$run", null, 200)['file']);
        foreach (['first_layer', 'outcome', 'inspect', 'clean', 'finish'] as $step) {
            $version = $this->ask('GET', "/api/runs/$run", null, 200)['run']['version'];
            match ($step) {
                'outcome' => $this->ask('POST', "/api/runs/$run/outcome", ['version' => $version, 'outcome' => 'came_off', 'note' => ''], 200),
                'finish' => $this->ask('POST', "/api/runs/$run/finish", ['version' => $version], 200),
                default => $this->ask('POST', "/api/runs/$run/step", ['version' => $version, 'step' => $step], 200),
            };
        }
        self::assertContains('One run was printed from another file than that of the plan.', $this->ask('GET', "/api/comparisons/$id/judgement", null, 200)['weakPoints']);
        // Another one, wherever the drawn order has put that.
        $run = array_values(array_filter(array_column($comparison['runs'], 'id'), static fn (string $each): bool => $each !== $run))[0];
        $check = fn (string $gcode, int $status = 200): array => $this->checked($run, $gcode, $status);
        $check("solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\nendsolid a\n", 422);
        $check('', 422);
    }

    public function testWhatLiesOnTheBenchIsHeldAgainstTheRun(): void
    {
        [$id] = $this->started();
        $comparison = $this->ask('GET', "/api/comparisons/$id", null, 200);
        $run = $comparison['runs'][0]['id'];
        $bench = ['printerId' => $comparison['printerId'], 'plateSideId' => null, 'agentId' => null, 'lotId' => $this->pick('/api/lots', 'label', 'L-201')['id'], 'roomC' => 20];
        $this->ask('PUT', '/api/bench', $bench, 200);
        self::assertSame(['On the bench lies lot L-201; this run wants '.$comparison['lotLabel'].'.'], $this->ask('GET', "/api/runs/$run", null, 200)['flags']);
        $this->ask('PUT', '/api/bench', ['lotId' => $comparison['lotId']] + $bench, 200);
        self::assertSame([], $this->ask('GET', "/api/runs/$run", null, 200)['flags']);
        $stick = $this->pick('/api/agents', 'name', 'White stick')['id'];
        $this->ask('PUT', '/api/bench', ['lotId' => $comparison['lotId'], 'agentId' => $stick] + $bench, 200);
        self::assertSame(['On the bench the coat is White stick; this run wants bare.'], $this->ask('GET', "/api/runs/$run", null, 200)['flags']);
        $this->ask('PUT', '/api/bench', ['printerId' => $this->pick('/api/printers', 'name', 'Dome')['id'], 'lotId' => null] + $bench, 200);
        self::assertSame(['Your bench is Dome; this run is on '.$comparison['printerName'].'.'], $this->ask('GET', "/api/runs/$run", null, 200)['flags']);
    }

    /** A block of 20 × 6 mm in three layers of 0.2 mm, in the common dialect. */
    private static function gcode(int $bedC, int $nozzleC): string
    {
        $code = "; made for a test\nG21\nG90\nM83\nM140 S$bedC\nM104 S$nozzleC\nG28\nM190 S$bedC\nM109 S$nozzleC\n";
        foreach ([0.2, 0.4, 0.6] as $z) {
            $code .= \sprintf("G1 Z%.1f F600\n", $z);
            for ($i = 0; $i < 13; ++$i) {
                $y = 10 + 0.45 * ($i + 0.5);
                $code .= \sprintf("G1 X10 Y%.3f F6000\nG1 X30 Y%.3f E0.748 F1200\n", $y, $y);
            }
        }

        return $code."M104 S0\nM140 S0\n";
    }

    /** @return array<mixed> */
    private function checked(string $run, string $gcode, int $status): array
    {
        $response = $this->send('POST', "/api/runs/$run/file", $gcode, 'application/octet-stream');
        self::assertSame($status, $response->getStatusCode(), (string) $response->getContent());

        /* @var array<mixed> */
        return json_decode((string) $response->getContent(), true);
    }

    /**
     * @param array<string, mixed> $constants
     *
     * @return array{string, int}
     */
    private function started(array $constants = [], bool $turned = false): array
    {
        $plan = $this->ask('POST', '/api/plans/begin', ['kind' => 'grid', 'measures' => ['pull'], 'sure' => 'look'], 200)['plan'];
        $plan['constants'] = $constants + $plan['constants'];
        $plan['setups'] = $turned ? array_reverse($plan['setups']) : $plan['setups'];
        $planned = $this->ask('POST', '/api/comparisons', $plan, 201);
        $started = $this->ask('POST', "/api/comparisons/{$planned['id']}/start", ['version' => $planned['version']], 200);

        return [$started['id'], $started['version']];
    }

    /**
     * @param list<array{given: string, setup: string}> $named
     *
     * @return array<string, string>
     */
    private static function byName(array $named): array
    {
        $by = array_column($named, 'setup', 'given');
        ksort($by);

        return $by;
    }
}
