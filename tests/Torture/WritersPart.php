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
        $shares = $rig->sizes['seconds'] / \count($things);
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
            ...($rig->short ? [] : $this->atOnce($rig)),
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

    /** @return list<Outcome> runs, starts, profiles and keys, which are no matter of a version alone */
    private function atOnce(Rig $rig): array
    {
        [$code, $said] = $rig->shell('php '.escapeshellarg("$rig->root/bin/console").' sitzplatz:writers --url='.$rig->base(), ['SITZPLATZ_VAR' => $rig->data]);
        $faults = preg_grep('/^FAULT/m', explode("\n", $said)) ?: [];

        return [
            new Outcome('one thing by 8 people in one moment', substr_count("\n$said", "\ngood ").' ways', 'no double, none lost', 0 === $code),
            new Outcome('of these wrong', [] === $faults ? '0' : "\n".implode("\n", $faults), 'none', [] === $faults),
        ];
    }
}
