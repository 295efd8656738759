<?php

declare(strict_types=1);

namespace App\Bench;

use Symfony\Component\Uid\Uuid;

/**
 * Asks the running app of the demo: each request alone, also as a multiple of the empty call; a shop's mix of them at a steady
 * rate and with several in flight; and apart from it what is rare and heavy. Of all the 95th percentile.
 */
final class ApiLoad
{
    /** Answered from the session alone: what any request costs. */
    private const EMPTY_CALL = 'GET /api/session';
    private const CHOOSE = 'choose with part and all detail';
    private const ANY = 'choose on any printer';
    private const PROMISES = [self::CHOOSE => '≤ 100 ms', self::ANY => '≤ 250 ms'];
    private const RATE = 20;
    private const IN_FLIGHT = 4;
    private const ALONE = 30;
    /** Of twenty requests. */
    private const MIX = [
        'GET /api/overview' => 2, 'GET /api/comparisons' => 2, 'GET /api/plate-sides' => 1, 'GET /api/plates' => 1, 'GET /api/lots' => 1,
        'GET /api/profiles' => 2, 'GET /api/care' => 1, 'GET /api/comparisons/…' => 1, 'GET /api/runs/…' => 2, 'GET /api/catalogue/pairs' => 1,
        'PUT /api/bench' => 2, 'POST /api/plate-sides/…/care' => 1, 'POST /api/lots' => 1, self::CHOOSE => 1, self::ANY => 1,
    ];

    /** Rare, or heavy. */
    private const APART = [
        'GET /api/comparisons/…/judgement', 'GET /api/comparisons/…/table', 'GET /api/profiles/…/assessment',
        'GET /api/plate-sides/…/care', ...self::LISTS,
    ];
    private const LISTS = [
        'GET /api/jobs', 'GET /api/jobs/came-true', 'GET /api/benches', 'GET /api/coverage', 'GET /api/coverage/smallest-set', 'GET /api/report',
        'GET /api/fix/cases',
    ];

    /** @return array<string, array{string, string}> figure and promise by what was measured; a word why there are none, if the demo does not run */
    public function measure(int $port, int $seconds): array
    {
        $client = new DemoClient("http://127.0.0.1:$port");
        if (!$client->signIn('technician')) {
            return ['API answers' => ['the demo does not run', '']];
        }
        $requests = self::requests($client);
        $figures = [];
        $empty = null;
        foreach ([self::EMPTY_CALL, ...array_keys(self::MIX)] as $name) {
            $p95 = self::p95(array_map(
                static fn (): float => $client->ask(...$requests[$name]())['milliseconds'],
                range(1, self::ALONE),
            ));
            $empty ??= $p95;
            $figures["$name, alone"] = [\sprintf('p95 %.0f ms, %.1f ×', $p95, $p95 / $empty), self::PROMISES[$name] ?? '≤ 50 ms'];
        }
        [$names, $mix] = self::mix($requests, self::RATE * $seconds);
        $by = self::kinds($names, $client->steady($mix, self::RATE));
        foreach (['reads' => '≤ 50 ms', 'writes' => '≤ 50 ms', ...self::PROMISES] as $kind => $promise) {
            $figures["$kind, in the mix at a steady ".self::RATE.'/s'] = [\sprintf('p95 %.0f ms', self::p95($by[$kind])), $promise];
        }
        [$names, $mix] = self::mix($requests, 5 * self::RATE);
        $by = self::kinds($names, $client->together($mix, self::IN_FLIGHT));
        $figures['reads and writes, '.self::IN_FLIGHT.' in flight'] = [\sprintf('p95 %.0f ms', self::p95([...$by['reads'], ...$by['writes']])), '≤ 80 ms'];
        foreach ([...self::APART, 'POST /api/demo-session'] as $name) {
            $times = array_map(static fn (): float => $client->ask(...$requests[$name]())['milliseconds'], range(1, 10));
            $figures["apart: $name"] = [\sprintf('p95 %.0f ms', self::p95($times)), ''];
        }

        return $figures;
    }

    /**
     * @param array<string, \Closure(): array{string, string, array<string, mixed>|null}> $requests
     *
     * @return array{list<string>, list<array{string, string, array<string, mixed>|null}>} names and requests, each kind spread evenly
     */
    private static function mix(array $requests, int $count): array
    {
        // The turns of what is asked for once would all fall together, the two heavy ones among them: each kind begins a golden
        // section further on, which keeps any number of them apart.
        $round = [];
        $begin = 0.0;
        foreach (self::MIX as $name => $times) {
            $begin = fmod($begin + (sqrt(5) - 1) / 2, 1.0);
            for ($i = 0; $i < $times; ++$i) {
                $round[] = [($i + $begin) / $times, $name];
            }
        }
        sort($round);
        $names = array_column($round, 1);
        $sent = $asked = [];
        for ($i = 0; $i < $count; ++$i) {
            $name = $names[$i % \count($names)];
            $sent[] = $name;
            $asked[] = $requests[$name]();
        }

        return [$sent, $asked];
    }

    /**
     * @param list<string>                                                      $names
     * @param list<array{status: int, body: array<mixed>, milliseconds: float}> $answers
     *
     * @return array<string, list<float>> milliseconds by kind
     */
    private static function kinds(array $names, array $answers): array
    {
        $by = [];
        foreach ($answers as $i => $answer) {
            if ($answer['status'] >= 400) {
                throw new \RuntimeException("$names[$i] was refused with {$answer['status']}.");
            }
            $by[match (true) {
                isset(self::PROMISES[$names[$i]]) => $names[$i],
                str_starts_with($names[$i], 'GET') => 'reads',
                default => 'writes',
            }][] = $answer['milliseconds'];
        }

        return $by;
    }

    /** @return array<string, \Closure(): array{string, string, array<string, mixed>|null}> by name; what is written is new each time */
    private static function requests(DemoClient $client): array
    {
        $first = static function (string $path, string $member, string $value) use ($client): array {
            foreach ($client->ask('GET', $path)['body'] as $row) {
                if (\is_array($row) && $value === ($row[$member] ?? null)) {
                    return $row;
                }
            }

            return [];
        };
        $printer = $first('/api/printers', 'kind', 'filament')['id'] ?? '';
        $side = $client->ask('GET', '/api/plate-sides')['body'][0]['id'] ?? '';
        $lot = $first('/api/lots/in-use', 'materialId', 'pla')['id'] ?? '';
        $running = $first('/api/comparisons', 'status', 'running')['id'] ?? '';
        $closed = $first('/api/comparisons', 'status', 'closed')['id'] ?? '';
        $profile = $first('/api/profiles', 'status', 'validated')['id'] ?? '';
        $run = $client->ask('GET', "/api/comparisons/$running")['body']['runs'][0]['id'] ?? '';
        $requests = [];
        foreach ([self::EMPTY_CALL, ...self::LISTS, ...array_keys(self::MIX)] as $name) {
            $requests[$name] = static fn (): array => ['GET', substr($name, 4), null];
        }
        foreach ([
            'GET /api/comparisons/…' => "/api/comparisons/$running",
            'GET /api/runs/…' => "/api/runs/$run",
            'GET /api/comparisons/…/judgement' => "/api/comparisons/$closed/judgement",
            'GET /api/comparisons/…/table' => "/api/comparisons/$closed/table",
            'GET /api/profiles/…/assessment' => "/api/profiles/$profile/assessment",
            'GET /api/plate-sides/…/care' => "/api/plate-sides/$side/care",
        ] as $name => $path) {
            $requests[$name] = static fn (): array => ['GET', $path, null];
        }
        $requests['PUT /api/bench'] = static fn (): array => [
            'PUT',
            '/api/bench',
            ['printerId' => $printer, 'plateSideId' => $side, 'agentId' => null, 'lotId' => $lot, 'roomC' => random_int(18, 24)],
        ];
        $requests['POST /api/plate-sides/…/care'] = static fn (): array => [
            'POST',
            "/api/plate-sides/$side/care",
            ['id' => Uuid::v7()->toRfc4122(), 'kind' => 'wash', 'agentId' => null, 'note' => ''],
        ];
        $requests['POST /api/lots'] = static fn (): array => [
            'POST',
            '/api/lots',
            ['id' => $id = Uuid::v7()->toRfc4122(), 'label' => 'B-'.substr($id, -12),
                'materialId' => 'pla', 'name' => 'of the benchmark', 'driedOn' => null, 'note' => ''],
        ];
        $requests['POST /api/demo-session'] = static fn (): array => ['POST', '/api/demo-session', ['role' => 'technician']];
        foreach ([self::CHOOSE => $printer, self::ANY => null] as $name => $on) {
            $requests[$name] = static fn (): array => [
                'POST',
                '/api/choose',
                [
                    'materialId' => 'pla',
                    'printerId' => $on,
                    'lotId' => null,
                    'roomC' => 20,
                    'partCount' => 1,
                    'jobMinutes' => null,
                    'part' => ['contactAreaMm2' => 752, 'outlineMm' => 210, 'spanMm' => 100, 'barWidthMm' => 8, 'heightMm' => 15],
                ],
            ];
        }

        return $requests;
    }

    /** @param list<float> $times */
    public static function p95(array $times): float
    {
        sort($times);

        return $times[(int) ceil(0.95 * \count($times)) - 1] ?? 0.0;
    }
}
