<?php

declare(strict_types=1);

namespace App\Bench;

/**
 * Asks the running app of the demo at a steady rate, and with several requests in flight, and takes the 95th percentile, also
 * as a multiple of the empty call.
 */
final class ApiLoad
{
    private const PATHS = ['/api/overview', '/api/comparisons', '/api/plates', '/api/profiles', '/api/care', '/api/lots', '/api/catalogue/pairs'];
    /** Answered from the session alone: what any request costs. */
    private const EMPTY_CALL = '/api/session';
    private const RATE = 20;
    private const IN_FLIGHT = 4;

    /** @return array<string, string> figures by what was measured; a word why there are none, if the demo does not run */
    public function measure(int $port, int $seconds): array
    {
        $client = new DemoClient("http://127.0.0.1:$port");
        if (!$client->signIn('technician')) {
            return ['API answers' => 'the demo does not run'];
        }
        $figures = [];
        $empty = null;
        $requests = ['the empty call' => ['GET', self::EMPTY_CALL, null], ...self::requests($client)];
        foreach ($requests as $name => $request) {
            $times = [];
            for ($i = 0; $i < max(20, self::RATE * $seconds / \count($requests)); ++$i) {
                $took = $client->ask(...$request)['milliseconds'];
                $times[] = $took;
                usleep((int) max(0, 1e6 / self::RATE - 1000 * $took));
            }
            $p95 = self::p95($times);
            $empty ??= $p95;
            $figures["$name, steady ".self::RATE.'/s'] = \sprintf('p95 %.0f ms, %.1f ×', $p95, $p95 / $empty);
        }
        $all = array_merge(...array_fill(0, 40, array_values($requests)));
        $figures['all of these, '.self::IN_FLIGHT.' in flight'] = \sprintf(
            'p95 %.0f ms',
            self::p95(array_column($client->together($all, self::IN_FLIGHT), 'milliseconds')),
        );

        return $figures;
    }

    /** @return array<string, array{string, string, array<string, mixed>|null}> */
    private static function requests(DemoClient $client): array
    {
        $first = static function (string $path, string $member, string $value) use ($client): string {
            foreach ($client->ask('GET', $path)['body'] as $row) {
                if (\is_array($row) && $value === ($row[$member] ?? null)) {
                    return (string) $row['id'];
                }
            }

            return '';
        };
        $requests = [];
        foreach (self::PATHS as $path) {
            $requests['GET '.$path] = ['GET', $path, null];
        }
        $requests['GET /api/comparisons/…/judgement'] = ['GET', '/api/comparisons/'.$first('/api/comparisons', 'status', 'closed').'/judgement', null];
        $part = ['contactAreaMm2' => 752, 'outlineMm' => 210, 'spanMm' => 100, 'barWidthMm' => 8, 'heightMm' => 15];
        $requests['POST /api/choose'] = [
            'POST',
            '/api/choose',
            [
                'materialId' => 'pla',
                'printerId' => $first('/api/printers', 'kind', 'filament'),
                'lotId' => null,
                'roomC' => 20,
                'partCount' => 1,
                'jobMinutes' => null,
                'part' => $part,
            ],
        ];

        return $requests;
    }

    /** @param list<float> $times */
    private static function p95(array $times): float
    {
        sort($times);

        return $times[(int) ceil(0.95 * \count($times)) - 1] ?? 0.0;
    }
}
