<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Uuid;

/** Which runs speak for a setup: those made in the same way, and no others (common practice: what spoils a comparison). */
final class EvidenceTest extends ApiTestCase
{
    private const WISH = ['plan' => ['reliability' => 0.8, 'confidence' => 0.9, 'failuresAllowed' => 0], 'anyLot' => false, 'anyPlate' => false];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>, int}> changes to plan, constants and setup; runs that then speak for the first */
    public static function otherWays(): iterable
    {
        yield 'made in the same way' => [[], [], [], 8];
        // A setup is its first-layer speed and its brim, too; what only names the run is not.
        yield 'another first-layer speed' => [[], ['firstLayerSpeedMmS' => 55], [], 4];
        yield 'ears' => [[], ['brim' => 'ears'], [], 4];
        yield 'another question, another file' => [
            ['title' => 'Another one'],
            ['gcodeName' => 'other.gcode'],
            [],
            8,
        ];
        yield 'another lot' => [['lotId' => 'L-102'], [], [], 4];
        yield 'another nozzle' => [[], ['nozzleMm' => 0.6], [], 4];
        yield 'a hotter first layer' => [[], ['nozzleFirstC' => 225], [], 4];
        yield 'another gap' => [[], ['feeler' => 'business card'], [], 4];
        yield 'a warmer bed' => [[], [], ['bedFirstC' => 58], 4];
        yield 'a cooler bed after the first layer' => [[], [], ['bedOtherC' => 50], 4];
        yield 'with an agent' => [[], [], ['agentId' => 'White stick'], 4];
        yield 'another plate of the same kind' => [[], [], ['plateSideId' => 'P2 front'], 4];
    }

    /**
     * @param array<string, mixed> $plan
     * @param array<string, mixed> $constants
     * @param array<string, mixed> $setup
     */
    #[DataProvider('otherWays')]
    public function testOnlyRunsMadeInTheSameWayCount(array $plan, array $constants, array $setup, int $runs): void
    {
        // A printer that has no runs yet.
        $first = $this->made([], [], []);
        $second = $this->made($plan, $constants, $setup);
        self::assertSame($runs, $this->assess($first)['runs']);
        self::assertSame($runs, $this->assess($second)['runs'], 'And the other way round.');
    }

    public function testAnyLotAndAnyPlateDrawFurtherRunsIn(): void
    {
        $first = $this->made([], [], []);
        $this->made(['lotId' => 'L-102'], [], []);
        $this->made([], [], ['plateSideId' => 'P2 front']);
        self::assertSame(4, $this->assess($first)['runs']);
        self::assertSame(8, $this->assess($first, ['anyLot' => true])['runs']);
        self::assertSame(8, $this->assess($first, ['anyPlate' => true])['runs']);
        $wide = $this->assess($first, ['anyLot' => true, 'anyPlate' => true]);
        self::assertSame([12, 2, 2], [$wide['runs'], $wide['proven']['lots'], $wide['proven']['plates']]);
        self::assertSame(
            ['"Any lot" needs runs with at least 3 lots; there are 2.', '"Any plate of this kind" needs runs on at least 3 plates; there are 2.'],
            array_values(array_filter($wide['missing'], static fn (string $each): bool => str_starts_with($each, '"'))),
        );
    }

    public function testAChangeOfThePrinterStartsAnewAndOfAnotherDoesNot(): void
    {
        $setup = $this->made([], [], []);
        $other = $this->pick('/api/printers', 'name', 'South bay')['id'];
        $this->ask('POST', "/api/printers/$other/changes", ['kind' => 'crash', 'note' => ''], 201);
        self::assertSame(4, $this->assess($setup)['runs']);
        $own = $this->pick('/api/printers', 'name', 'Attic')['id'];
        $this->ask('POST', "/api/printers/$own/changes", ['kind' => 'hot_end', 'note' => ''], 201);
        self::assertSame(0, $this->assess($setup)['runs']);
        $this->made([], [], []);
        self::assertSame(4, $this->assess($setup)['runs'], 'Runs made since then count.');
    }

    public function testVoidRunsStandBesideAndFailuresCount(): void
    {
        $setup = $this->made([], [], [], "A,1,held,1,,exact\nA,1,pull_hot,30,N,exact\nA,2,held,1,,void\nA,2,pull_hot,31,N,void\nA,3,held,0,,exact\n");
        $assessment = $this->assess($setup);
        self::assertSame([2, 1, 1], [$assessment['runs'], $assessment['voids'], $assessment['failures']]);
        self::assertContains('1 of 2 runs failed; the plan allows 0.', $assessment['missing']);
    }

    public function testTheProfileSaysWhatWasProvenAndOnWhat(): void
    {
        $setup = $this->made(['roomC' => 23], [], []);
        $profile = $this->ask('POST', '/api/profiles', ['setupId' => $setup, 'title' => 'From the attic', 'reviewBy' => '2030-01-01'] + self::WISH, 201);
        $document = $profile['document'];
        self::assertSame(['L-101', 'P1 front', 'Attic'], [$document['scope']['lotLabel'], $document['scope']['sideLabel'], $document['scope']['printerName']]);
        self::assertEqualsWithDelta([21, 25], [$document['scope']['roomLowC'], $document['scope']['roomHighC']], 0);
        self::assertNull($document['scope']['longestJobMinutes'], '24 minutes were planned and none measured.');
        self::assertCount(4, $document['evidence']['runIds']);
        // By hand: (30 + 32) / 2 N, and the spread √2.
        self::assertEqualsWithDelta(31, $document['evidence']['hotPull']['meanN'], 1e-12);
        self::assertEqualsWithDelta(sqrt(2), $document['evidence']['hotPull']['sdN'], 1e-12);
        self::assertSame('textured PEI', $document['scope']['surfaceName']);
        self::assertStringContainsString('dish soap', $document['preparation'][0]);
    }

    /**
     * A comparison of one setup with four runs, made.
     *
     * @param array<string, mixed> $plan
     * @param array<string, mixed> $constants
     * @param array<string, mixed> $setup
     *
     * @return string the setup's key
     */
    private function made(array $plan, array $constants, array $setup, ?string $rows = null): string
    {
        $lot = $this->pick('/api/lots', 'label', (string) ($plan['lotId'] ?? 'L-101'))['id'];
        $agent = isset($setup['agentId']) ? $this->pick('/api/agents', 'name', (string) $setup['agentId'])['id'] : null;
        $sides = [[
            'plateSideId' => $this->side((string) ($setup['plateSideId'] ?? 'P1 front')),
            'agentId' => $agent,
        ] + $setup + ['bedFirstC' => 55, 'bedOtherC' => 55]];
        $otherwise = ['lotId' => $lot] + $plan + ['printerId' => $this->attic(), 'runsPerSetup' => 4, 'hotPerSetup' => null === $rows ? 2 : 4];
        $comparison = $this->ask('POST', '/api/comparisons', $this->plan($sides, $otherwise, $constants), 201);
        $started = $this->ask('POST', "/api/comparisons/{$comparison['id']}/start", ['version' => 1], 200);
        $rows ??= "A,1,held,1,,exact\nA,1,pull_hot,30,N,exact\nA,2,held,1,,exact\nA,2,pull_hot,32,N,exact\n"
            ."A,3,held,1,,exact\nA,3,pull_cold,4,N,exact\nA,3,effort,1,,exact\nA,3,damage,0,,exact\nA,4,held,1,,exact\nA,4,pull_cold,5,N,exact\nA,4,effort,0,,exact\nA,4,damage,0,,exact\n";
        $this->ask(
            'POST',
            "/api/comparisons/{$comparison['id']}/import",
            ['version' => $started['version'], 'table' => "setup,run,measure,value,unit,status\n".$rows],
            201,
        );

        return $comparison['setups'][0]['id'];
    }

    /** What was printed with something beside it is proven with that beside it. */
    public function testAProfileKeepsWhatElseStoodOnThePlate(): void
    {
        $alone = $this->made([], [], []);
        $setup = $this->made([], ['alsoMaterialIds' => ['petg', 'pla']], []);
        self::assertSame([4, 4], [$this->assess($alone)['runs'], $this->assess($setup)['runs']], 'Neither speaks for the other.');
        $profile = $this->ask('POST', '/api/profiles', ['setupId' => $setup, 'title' => 'With PETG in it', 'reviewBy' => '2030-01-01'] + self::WISH, 201);
        self::assertSame([['petg'], ['PETG']], [$profile['document']['scope']['alsoMaterialIds'], $profile['document']['scope']['alsoMaterialNames']]);
        $this->signIn('lead');
        $this->ask('POST', "/api/profiles/{$profile['id']}/sign", ['version' => 1, 'password' => 'hilltop', 'trial' => true, 'reason' => 'four runs are enough to show it'], 200);
        $lot = $this->pick('/api/lots', 'label', 'L-101')['id'];
        $points = function (array $also) use ($profile, $lot): array {
            $asked = ['materialId' => 'pla', 'printerId' => $this->attic(), 'lotId' => $lot, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'alsoMaterialIds' => $also];

            return array_column(array_column($this->ask('POST', '/api/choose', $asked, 200)['profiles'], null, 'id')[$profile['id']]['points'], 'inScope', 'point');
        };
        self::assertTrue($points(['petg'])['materials']);
        self::assertFalse($points([])['materials']);
        self::assertFalse($points(['petg', 'tpu'])['materials']);
    }

    private function attic(): string
    {
        foreach ($this->ask('GET', '/api/printers', null, 200) as $printer) {
            if (\is_array($printer) && 'Attic' === $printer['name']) {
                return $printer['id'];
            }
        }

        return $this->ask(
            'POST',
            '/api/printers',
            [
                'id' => Uuid::v7()->toRfc4122(),
                'name' => 'Attic',
                'kind' => 'filament',
                'bedWidthMm' => 250,
                'bedDepthMm' => 210,
                'maxBedC' => 110,
                'maxNozzleC' => 290,
                'enclosed' => false,
                'magnetLimitC' => null,
            ],
            201,
        )['id'];
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<mixed>
     */
    private function assess(string $setup, array $more = []): array
    {
        return $this->ask('POST', '/api/profiles/assess', ['setupId' => $setup] + $more + self::WISH, 200);
    }
}
