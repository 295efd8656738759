<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** What is added as one class, and nothing else, is entered, shown, judged and handed on: see tests/Extension. */
final class ExtensionTest extends ApiTestCase
{
    private const UNDER_WAY = 'Dew shields in night-black PETG: bare, stick or cool plate?';

    public function testAMeasurePassesThroughSheetJudgementAndExport(): void
    {
        $this->signIn('technician');
        self::assertSame(['locus', 'offset', 'flare', 'patch', 'rocks', 'skirt', 'underside', 'crazing', 'sheen'], array_column($this->ask('GET', '/api/terms', null, 200)['measures'], 'key'));
        $comparison = $this->pick('/api/comparisons', 'title', self::UNDER_WAY)['id'];
        $runs = array_values(array_filter($this->ask('GET', "/api/comparisons/$comparison", null, 200)['runs'], static fn (array $run): bool => \in_array($run['status'], ['running', 'planned'], true)));
        $run = $runs[0]['id'];
        $this->ask('POST', "/api/runs/$run/readings", ['measure' => 'sheen', 'value' => 1, 'unit' => 'mm', 'atLeast' => false], 422);
        $refused = $this->ask('POST', "/api/runs/$run/readings", ['measure' => 'shine', 'value' => 1, 'unit' => '', 'atLeast' => false], 422);
        self::assertStringContainsString('sheen', $refused['detail'], 'It says which there are.');
        $this->ask('POST', "/api/runs/$run/readings", ['measure' => 'sheen', 'value' => 2, 'unit' => '', 'atLeast' => false], 201);
        $sheet = $this->ask('POST', "/api/runs/$run/readings", ['measure' => 'flare', 'value' => 0.01, 'unit' => 'in', 'atLeast' => false], 201);
        self::assertSame(['sheen', 2, 'flare'], [$sheet['readings'][0]['measure'], $sheet['readings'][0]['value'], $sheet['readings'][1]['measure']]);
        self::assertEqualsWithDelta(0.254, $sheet['readings'][1]['value'], 1e-9, 'Stored in mm: 1 in is 25.4 mm.');
        // Only what is done is judged.
        $this->database()->executeStatement("UPDATE run SET status = 'done', outcome = 'held', held = 1 WHERE LOWER(HEX(id)) = ?", [str_replace('-', '', $run)]);
        $judgement = $this->ask('GET', "/api/comparisons/$comparison/judgement", null, 200);
        self::assertSame(['dull', 'silky', 'a mirror'], $judgement['counts']['sheen']['levels']);
        self::assertSame([0, 0, 1], $judgement['counts']['sheen']['setups'][0]['counts']);
        self::assertEqualsWithDelta(0.254, $judgement['measures']['flare']['setups'][0]['mean'], 1e-9);
        $table = (string) $this->send('GET', "/api/comparisons/$comparison/table", null)->getContent();
        self::assertMatchesRegularExpression('/^B,14,sheen,2(\\.0)?,,exact$/m', $table);
        self::assertMatchesRegularExpression('/^B,14,flare,0\\.254,mm,exact$/m', $table);
    }

    public function testAMethodComparesWhatEveryOtherDoes(): void
    {
        $this->signIn('technician');
        $comparison = $this->pick('/api/comparisons', 'title', 'Filter cells in grey PLA, which plate?')['id'];
        $figures = $this->ask('GET', "/api/comparisons/$comparison/judgement", null, 200)['measures']['pull_hot'];
        self::assertSame('kruskal_wallis', $figures['further'][0]['method']);
        self::assertSame([2], $figures['further'][0]['df']);
        self::assertLessThan(0.05, $figures['further'][0]['p'], 'So does Welch say, in the same place.');
        self::assertLessThan(0.05, $figures['overall']['p']);
        self::assertContains(['key' => 'kruskal_wallis', 'words' => 'Kruskal–Wallis, by ranks'], $this->ask('GET', '/api/terms', null, 200)['methods']);
    }

    public function testAQuestionLaysOutItsSetupsAndAPieceIsDrawn(): void
    {
        $this->signIn('technician');
        $begun = $this->ask('POST', '/api/plans/begin', ['kind' => 'cold_or_warm', 'measures' => [], 'sure' => 'look'], 200);
        self::assertContains(['key' => 'cold_or_warm', 'words' => 'Does it need the heater?', 'answer' => 'An answer is whether the cold bed holds.'], $begun['kinds']);
        self::assertSame([true, false], array_column($begun['plan']['setups'], 'unheated'));
        $planned = $this->ask('POST', '/api/comparisons', ['title' => 'Does it need the heater?'] + $begun['plan'], 201);
        self::assertStringContainsString('whether the cold bed holds', $planned['question']);

        $cube = array_column($this->ask('GET', '/api/test-pieces', null, 200), null, 'key')['cube'];
        self::assertSame(['Cube', 'Side'], [$cube['words'], $cube['inputs'][0]['words']]);
        $drawn = $this->ask('POST', '/api/test-pieces/cube', ['values' => ['side' => 10], 'number' => null], 200);
        self::assertEqualsWithDelta([100, 1000], [$drawn['shape']['contactAreaMm2'], $drawn['shape']['volumeMm3']], 1e-3);
        self::assertSame(84 + 12 * 50, \strlen((string) $this->send('GET', '/api/test-pieces/cube/file?values[side]=10', null)->getContent()));
    }

    public function testAStepStandsInEverySheetAndIsReachedLikeAnyOther(): void
    {
        $this->signIn('technician');
        $comparison = $this->pick('/api/comparisons', 'title', self::UNDER_WAY)['id'];
        $run = current(array_filter($this->ask('GET', "/api/comparisons/$comparison", null, 200)['runs'], static fn (array $each): bool => 'running' === $each['status']));
        self::assertIsArray($run);
        $sheet = $this->ask('GET', "/api/runs/{$run['id']}", null, 200);
        self::assertSame(['inspect', 'weigh_in', 'clean'], \array_slice($sheet['steps'], -3));
        $page = array_column($sheet['sheet'], null, 'step')['weigh_in'];
        self::assertSame(['Weigh the part', ['Put it on the scale.'], 30], [$page['title'], $page['lines'], $page['timerSeconds']]);
        $move = fn (string $command, array $body, int $status = 200): array => $this->ask('POST', "/api/runs/{$run['id']}/$command", [...$body, 'version' => $this->ask('GET', "/api/runs/{$run['id']}", null, 200)['run']['version']], $status);
        $move('step', ['step' => 'weigh_in'], 422);
        $move('step', ['step' => 'first_layer']);
        $move('outcome', ['outcome' => 'came_off', 'note' => '']);
        self::assertSame('weigh_in', $move('step', ['step' => 'weigh_in'])['run']['step']);
        $move('step', ['step' => 'walk_about'], 422);
    }

    public function testAFileATableAndACalculatorAreTakenByOneClassEach(): void
    {
        $this->signIn('technician');
        $corners = ['0 0 0', '20 0 0', '20 20 0', '0 20 0', '0 0 10', '20 0 10', '20 20 10', '0 20 10'];
        $faces = [[0, 2, 1], [0, 3, 2], [4, 5, 6], [4, 6, 7], [0, 1, 5], [0, 5, 4], [1, 2, 6], [1, 6, 5], [2, 3, 7], [2, 7, 6], [3, 0, 4], [3, 4, 7]];
        $list = "triangles\n".implode("\n", array_map(static fn (array $face): string => implode(' ', array_map(static fn (int $i): string => $corners[$i], $face)), $faces))."\n";
        $part = json_decode((string) $this->send('POST', '/api/parts/read', $list, 'application/octet-stream')->getContent(), true);
        self::assertIsArray($part);
        self::assertSame(['triangle_list', 'list of triangles'], [$part['format'], $part['formatWords']]);
        self::assertEqualsWithDelta(400, $part['contactAreaMm2'], 1e-6);

        $comparison = $this->pick('/api/comparisons', 'title', self::UNDER_WAY)['id'];
        $seen = $this->ask('POST', "/api/comparisons/$comparison/import-preview", ['table' => "slip\nA;1;24.5\nC;1;twenty\n"], 200);
        self::assertSame([3], array_column($seen['faults'], 'line'), 'A fault is told by the line of the slip.');
        $seen = $this->ask('POST', "/api/comparisons/$comparison/import-preview", ['table' => "slip\nA;1;24.5\n"], 200);
        self::assertSame([[], 1], [$seen['faults'], $seen['readings']]);

        self::assertSame(['abs_solution', 'dilution', 'pva_thinning', 'thin_back', 'vapour', 'spool_left'], array_column($this->ask('GET', '/api/calculators', null, 200), 'key'));
        self::assertSame(['500'], $this->ask('POST', '/api/calculators/spool_left', ['values' => ['gross' => 700, 'empty' => 200]], 200)['lines']);
        $refused = $this->ask('POST', '/api/calculators/spool_left', ['values' => ['gross' => 700, 'empty' => 9000]], 422)['errors'][0];
        self::assertSame(['values.empty', 'Write a figure from 0 g to 2,000 g.'], [$refused['field'], str_replace("\u{00A0}", ' ', $refused['message'])]);
    }

    /** 70 % from 99 %: 500 cm³ take 353.5 cm³ of it and 146.5 cm³ of water (c₁·V₁ = c₂·V₂), of what does not contract. */
    public function testACleanerIsThinned(): void
    {
        $this->signIn('viewer');
        $answer = $this->ask('POST', '/api/calculators/dilution', ['values' => ['of' => 2, 'have' => 0.99, 'want' => 0.7, 'made' => 500_000]], 200);
        self::assertSame('354 cm³ of the 99 % and 146 cm³ of water make the 70 %.', str_replace("\u{00A0}", ' ', $answer['lines'][0]));
        self::assertNotSame([], $answer['cautions']);
        self::assertStringContainsString('weaker', $this->ask('POST', '/api/calculators/dilution', ['values' => ['of' => 0, 'have' => 0.5, 'want' => 0.7, 'made' => 500_000]], 422)['detail']);
        $this->ask('POST', '/api/calculators/nothing', ['values' => ['have' => 1]], 404);
    }
}
