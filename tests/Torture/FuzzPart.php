<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

use App\Bench\ShapeInputs;
use Sitzplatz\Tests\OperationRoles;

/** Spoilt inputs for every operation that takes a body, and for every kind of file: refused in words, never a fault of ours. */
final class FuzzPart implements Part
{
    private const PROCESSES = 3;
    /** Each session may ask for costly things twenty times a second. */
    private const SESSIONS = 4;

    public function name(): string
    {
        return 'fuzz';
    }

    public function run(Rig $rig): array
    {
        $share = intdiv($rig->sizes['inputs'], self::PROCESSES) + 1;
        $seed = mt_rand(1, 1_000_000_000);
        $log = tempnam(sys_get_temp_dir(), 'fuzz');
        $counted = $rig->together(self::PROCESSES, fn (int $i): array => $this->spoil($rig, $seed + $i, $share, (string) $log));
        $faults = (string) file_get_contents((string) $log);
        unlink((string) $log);

        return [
            new Outcome('spoilt inputs sent', \sprintf(
                '%d: %d JSON, %d profiles, %d tables, %d parts and G-code',
                array_sum($counted) - ($counted['fault'] ?? 0) - ($counted['taken'] ?? 0),
                $counted['json'] ?? 0,
                $counted['profile'] ?? 0,
                $counted['table'] ?? 0,
                $counted['shape'] ?? 0,
            ), (string) $rig->sizes['inputs'], null),
            new Outcome('taken, being sound by chance', (string) ($counted['taken'] ?? 0), '', null),
            new Outcome('answered with 5xx or not at all', ($counted['fault'] ?? 0).('' === $faults ? '' : "\n".substr($faults, 0, 2_000)), 'none', 0 === (int) ($counted['fault'] ?? 0)),
        ];
    }

    /** @return array<string, int> */
    private function spoil(Rig $rig, int $seed, int $count, string $log): array
    {
        mt_srand($seed);
        $clients = [];
        for ($i = 0; $i < self::SESSIONS; ++$i) {
            $clients[] = $rig->client('lead');
        }
        $shapes = new ShapeInputs($seed);
        $ids = $this->ids($clients[0]);
        $operations = array_values(array_filter(
            [...OperationRoles::all($rig->root)],
            // What ends the sessions of this part, or makes nobody a lead, is for other parts.
            static fn (array $each): bool => \in_array($each[1], ['POST', 'PUT'], true) && !\in_array($each[0], ['openSession', 'openDemoSession', 'createFirstLead', 'updateUser', 'changeOwnPassword', 'readPart', 'reportPrint'], true),
        ));
        $profile = json_encode($clients[0]->read("/api/profiles/{$ids['profiles']}/export"), \JSON_THROW_ON_ERROR);
        $counted = ['json' => 0, 'profile' => 0, 'table' => 0, 'shape' => 0, 'taken' => 0, 'fault' => 0];
        for ($i = 0; $i < $count; ++$i) {
            $client = $clients[$i % self::SESSIONS];
            $type = 'application/json';
            $kind = mt_rand(0, 9);
            if ($kind < 2) {
                $what = 'shape';
                [$method, $path, $body, $type] = ['POST', '/api/parts/read', substr($shapes->next()['bytes'], 0, 2 << 20), 'application/octet-stream'];
            } elseif ($kind < 3) {
                $what = 'profile';
                [$method, $path, $body] = ['POST', '/api/profiles/import', self::spoilt($profile)];
            } elseif ($kind < 4) {
                $what = 'table';
                [$method, $path, $body] = ['POST', '/api/jobs/import', (string) json_encode(['csv' => self::spoilt("date,material,plate,outcome,minutes\n2026-01-01,PLA,P1 front,held,90\n2026-01-02,PETG,P2 front,lifted,\"12\"\n")], \JSON_PARTIAL_OUTPUT_ON_ERROR)];
            } else {
                $what = 'json';
                [, $method, $path] = $operations[mt_rand(0, \count($operations) - 1)];
                $kindOf = explode('/', $path)[2];
                $path = str_replace('{id}', mt_rand(0, 3) > 0 ? $ids[$kindOf] ?? Rig::uuid() : rawurlencode(self::word()), $path);
                $path = (string) preg_replace_callback('/\{\w+\}/', static fn (): string => rawurlencode(self::word()), $path);
                $body = mt_rand(0, 9) > 0 ? (string) json_encode(self::thing(0), \JSON_PARTIAL_OUTPUT_ON_ERROR) : self::spoilt('{"version":1,"note":"x","id":"01a21069-0d5e-7462-8f3a-38958df615d9"}');
            }
            $tries = 0;
            do {
                [$status, $answer] = $client->send($method, $path, $body, $type, 60);
                // Where others of these are at it, it says so, and is asked again, as a page does.
                $waits = 429 === $status || (503 === $status && str_contains($answer, '"type":"busy"'));
                !$waits || usleep(50_000);
            } while ($waits && ++$tries < 400);
            ++$counted[$what];
            $counted['taken'] += $status >= 200 && $status < 300 ? 1 : 0;
            if (0 === $status || $status >= 500) {
                ++$counted['fault'];
                file_put_contents($log, "$status $method $path ".substr($body, 0, 300).' -> '.substr($answer, 0, 200)."\n", \FILE_APPEND);
            }
        }

        return $counted;
    }

    /** @return array<string, string> by the first word of a path, the key of one that is there */
    private function ids(Client $client): array
    {
        $ids = [];
        foreach (['printers', 'plates', 'plate-sides', 'agents', 'lots', 'gauges', 'thermometers', 'comparisons', 'profiles', 'jobs'] as $kind) {
            $ids[$kind] = (string) ($client->read("/api/$kind")[0]['id'] ?? Rig::uuid());
        }
        $ids['runs'] = (string) ($client->read("/api/comparisons/{$ids['comparisons']}")['runs'][0]['id'] ?? Rig::uuid());

        return $ids;
    }

    private static function spoilt(string $text): string
    {
        for ($times = mt_rand(0, 4); $times > 0; --$times) {
            $at = mt_rand(0, max(0, \strlen($text) - 1));
            $text = match (mt_rand(0, 5)) {
                0 => substr($text, 0, $at),
                1 => substr($text, 0, $at).\chr(mt_rand(0, 255)).substr($text, $at + 1),
                2 => substr($text, 0, $at).self::word().substr($text, $at),
                3 => substr($text, 0, $at).substr($text, $at + mt_rand(1, 40)),
                4 => (string) preg_replace('/\d+(\.\d+)?/', (string) self::number(), $text, mt_rand(1, 4)),
                default => str_replace(['true', 'null', '[]', '"'], ['null', '[]', '{}', ''], $text),
            };
        }

        return $text;
    }

    private static function word(): string
    {
        $words = ['', '0', '-1', 'null', 'pla', 'held', "'", '"', '%00', "\0", "\u{202e}", '😀', '../../etc/passwd', '<script>', '=1+1', str_repeat('a', 300), '01a21069-0d5e-7462-8f3a-38958df615d9', '2026-13-45', '1e400', 'Robert"); --', "\n\r\t", '{}', '[]'];

        return $words[mt_rand(0, \count($words) - 1)];
    }

    private static function number(): int|float
    {
        $numbers = [0, -1, 1, 0.5, 1e308, -1e308, 1e-300, 2_147_483_648, \PHP_INT_MAX, \PHP_INT_MIN, 65_536, 0.1 + 0.2, 1e6, -0.0, 100, 60, 21];

        return $numbers[mt_rand(0, \count($numbers) - 1)];
    }

    private static function thing(int $depth): mixed
    {
        $names = ['id', 'version', 'name', 'note', 'kind', 'reason', 'materialId', 'printerId', 'plateSideId', 'agentId', 'lotId', 'setups', 'setup', 'outcome', 'effort', 'measure', 'value', 'unit', 'place', 'part', 'constants', 'plan', 'csv', 'document', 'layers', 'retired', 'label', 'roomC', 'partCount', 'pair', 'x', 'y', 'marks', 'at', 'password', 'step', 'heldSeconds', 'signs', 'symptom', 'body', 'file'];
        $kind = mt_rand(0, $depth > 3 ? 4 : 8);

        return match (true) {
            $depth > 0 && 0 === $kind => null,
            $depth > 0 && 1 === $kind => 0 === mt_rand(0, 1),
            $depth > 0 && 2 === $kind => self::number(),
            $depth > 0 && $kind < 5 => self::word(),
            $depth > 0 && 5 === $kind => array_map(static fn (): mixed => self::thing($depth + 1), range(0, mt_rand(0, 3))),
            default => array_map(static fn (): mixed => self::thing($depth + 1), array_flip(array_intersect_key($names, array_flip((array) array_rand($names, mt_rand(1, 9)))))),
        };
    }
}
