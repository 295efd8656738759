<?php

declare(strict_types=1);

namespace App\Judge;

use App\Platform\Database\StoredId;
use App\Test\ComparisonRows;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Symfony\Component\Uid\Uuid;

/** Comparisons that were begun, as lines of a list, with what was recorded last of each setup. */
final readonly class VerdictRows
{
    public function __construct(private Connection $database, private ComparisonRows $comparisons)
    {
    }

    /** @return list<array<string, mixed>> as {@see ComparisonRows::page}; without verdicts where none is recorded yet */
    public function page(string $find, string $after): array
    {
        $rows = $this->comparisons->page($find, $after, true);
        $verdicts = [];
        foreach ($this->database->executeQuery(
            "SELECT comparison_id, JSON_EXTRACT(judgement, '$.setups[*].label') AS labels, JSON_EXTRACT(judgement, '$.setups[*].verdict') AS verdicts
             FROM verdict_record WHERE comparison_id IN (?) ORDER BY created_at, id",
            [array_map(static fn (array $row): string => Uuid::fromString($row['id'])->toBinary(), $rows)],
            [ArrayParameterType::BINARY],
        )->iterateAssociative() as $record) {
            /** @var list<string> $labels */
            $labels = json_decode((string) $record['labels'], true);
            /** @var list<string> $said */
            $said = json_decode((string) $record['verdicts'], true);
            $verdicts[StoredId::text($record['comparison_id'])] = array_map(
                static fn (string $label, string $verdict): array => ['label' => $label, 'verdict' => $verdict],
                $labels,
                $said,
            );
        }

        return array_map(static fn (array $row): array => [...$row, 'verdicts' => $verdicts[$row['id']] ?? []], $rows);
    }
}
