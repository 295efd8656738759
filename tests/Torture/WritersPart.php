<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

use Symfony\Component\Yaml\Parser;

/** Eight people change the same things at once: each change that was taken moved the version once, every other was told. */
final class WritersPart implements Part
{
    private const PEOPLE = 8;

    public function name(): string
    {
        return 'writers';
    }

    public function run(Rig $rig): array
    {
        $lead = $rig->client('lead');
        $things = $this->things($rig, $lead);
        $before = array_map(static fn (array $thing): int => $thing['version'](), $things);
        $shares = max(1, intdiv($rig->sizes['seconds'], \count($things)));
        $sum = ['taken' => 0, 'stale' => 0, 'other' => 0, 'fault' => 0];
        $moved = [];
        foreach ($things as $name => $thing) {
            $until = microtime(true) + $shares;
            $counted = $rig->together(self::PEOPLE, static function () use ($rig, $thing, $until): array {
                $client = $rig->client('lead');
                $counted = ['taken' => 0, 'stale' => 0, 'other' => 0, 'fault' => 0];
                do {
                    [$status] = $thing['change']($client);
                    ++$counted[match (true) {
                        $status >= 200 && $status < 300 => 'taken',
                        409 === $status => 'stale',
                        0 === $status, $status >= 500 => 'fault',
                        default => 'other',
                    }];
                } while (microtime(true) < $until);

                return $counted;
            });
            foreach ($counted as $what => $count) {
                $sum[$what] += (int) $count;
            }
            if ($thing['version']() - $before[$name] !== (int) $counted['taken'] || 0 === (int) $counted['taken']) {
                $moved[] = "$name: {$counted['taken']} taken, moved by ".($thing['version']() - $before[$name]);
            }
        }

        return [
            new Outcome('kinds of things changed by 8 people at once', implode(', ', array_keys($things)), '', null),
            new Outcome('changes taken, and refused as stale', "{$sum['taken']}, {$sum['stale']}", 'some', $sum['taken'] > 0 && $sum['stale'] > 0),
            new Outcome('things whose versions do not tell all that was taken', [] === $moved ? '0' : implode('; ', $moved), 'none', [] === $moved),
            Outcome::none('refused for another reason', $sum['other']),
            Outcome::none('answered with 5xx or not at all', $sum['fault']),
            ...$this->sameKey($rig),
            ...$this->sameCommand($rig),
        ];
    }

    /** @return array<string, array{version: \Closure(): int, change: \Closure(Client): array{int, string}}> whatever the contract lets be changed by version */
    private function things(Rig $rig, Client $lead): array
    {
        /** @var array<string, mixed> $document */
        $document = (new Parser(maxAliasesForCollections: 1_000))->parseFile("$rig->root/docs/openapi.yaml");
        $things = [];
        foreach ((array) $document['paths'] as $path => $methods) {
            $schema = $methods['put']['requestBody']['content']['application/json']['schema'] ?? null;
            $schema = isset($schema['$ref']) ? $document['components']['schemas'][basename($schema['$ref'])] : $schema;
            $fields = self::fields($schema ?? [], $document);
            if (!isset($fields['version'])) {
                continue;
            }
            $list = preg_replace('#/\{id\}.*$#', '', (string) $path);
            if (!str_ends_with((string) $path, '{id}') && str_contains((string) $path, '{id}')) {
                continue;
            }
            $rows = $lead->read((string) $list);
            foreach (array_is_list($rows) ? \array_slice($rows, 0, 12) : [$rows] as $row) {
                $address = str_replace('{id}', (string) ($row['id'] ?? ''), (string) $path);
                $find = static function (Client $client) use ($list, $row): array {
                    $read = $client->read((string) $list);
                    foreach (array_is_list($read) ? $read : [$read] as $each) {
                        if (($each['id'] ?? null) === ($row['id'] ?? null)) {
                            return $each;
                        }
                    }

                    throw new \RuntimeException("$list does not have it any more.");
                };
                $change = static fn (Client $client): array => $client->send('PUT', $address, array_intersect_key($find($client), $fields));
                if (200 === $change($lead)[0]) {
                    $things[basename((string) $list)] = ['version' => static fn (): int => (int) $find($rig->client('lead'))['version'], 'change' => $change];
                    break;
                }
            }
        }

        return $things;
    }

    /**
     * @param array<string, mixed> $schema
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function fields(array $schema, array $document): array
    {
        $fields = (array) ($schema['properties'] ?? []);
        foreach ((array) ($schema['allOf'] ?? []) as $each) {
            $each = isset($each['$ref']) ? $document['components']['schemas'][basename((string) $each['$ref'])] : $each;
            $fields += self::fields((array) $each, $document);
        }

        return $fields;
    }

    /** @return list<Outcome> eight send the same new thing at the same moment */
    private function sameKey(Rig $rig): array
    {
        $at = microtime(true) + 0.3;
        $id = Rig::uuid();
        $counted = $rig->together(self::PEOPLE, static function () use ($rig, $at, $id): array {
            $client = $rig->client();
            usleep(max(0, (int) (($at - microtime(true)) * 1e6)));
            [$status] = $client->send('POST', '/api/lots', ['id' => $id, 'label' => 'W-'.substr($id, -12), 'materialId' => 'pla', 'name' => 'of eight', 'driedOn' => null, 'note' => '']);

            return ["s$status" => 1];
        });
        $rows = (int) $rig->sql("SELECT COUNT(*) FROM lot WHERE label = 'W-".substr($id, -12)."'");

        return [new Outcome('rows of one key that 8 sent at once', "$rows, made once: ".($counted['s201'] ?? 0), '1, made once', 1 === $rows && 1 === (int) ($counted['s201'] ?? 0))];
    }

    /** @return list<Outcome> eight go on with the same run from the same step, and eight start the same comparison */
    private function sameCommand(Rig $rig): array
    {
        $client = $rig->client();
        $outcomes = [];
        foreach ($client->read('/api/comparisons') as $row) {
            $address = "/api/comparisons/{$row['id']}";
            $comparison = $client->read($address);
            if ('draft' === $comparison['status']) {
                $version = static fn (): int => (int) $client->read($address)['version'];
                $outcomes[] = $this->once($rig, 'starts of one comparison taken, of 8', "$address/start", ['version' => $comparison['version']], $version);
            }
            foreach (array_filter($comparison['runs'], static fn (array $run): bool => 'running' === $run['status']) as $run) {
                $sheet = $client->read("/api/runs/{$run['id']}");
                $next = $sheet['steps'][1 + (int) array_search($sheet['run']['step'], $sheet['steps'], true)];
                $version = static fn (): int => (int) $client->read("/api/runs/{$run['id']}")['run']['version'];
                $body = ['version' => $sheet['run']['version'], 'step' => $next, 'heldSeconds' => 0];
                $outcomes[] = $this->once($rig, 'steps of one run taken, of 8', "/api/runs/{$run['id']}/step", $body, $version);
            }
        }

        return $outcomes;
    }

    /**
     * @param array<string, mixed> $body
     * @param \Closure(): int      $version
     */
    private function once(Rig $rig, string $what, string $address, array $body, \Closure $version): Outcome
    {
        $before = $version();
        $counted = $rig->together(self::PEOPLE, static function () use ($rig, $address, $body): array {
            [$status] = $rig->client()->send('POST', $address, $body);

            return ["s$status" => 1];
        });
        $taken = (int) ($counted['s200'] ?? 0);
        $moved = $version() - $before;

        return new Outcome($what, "$taken, moved by $moved", '1', 1 === $taken && $moved >= 1);
    }
}
