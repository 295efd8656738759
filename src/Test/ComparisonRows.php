<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\KeyedPage;
use App\Platform\Database\StoredId;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Life\WhatNext;

/** Comparisons page by page, the newest first, as lines of a list: a plan of runs is not built to be shown in one. */
final readonly class ComparisonRows
{
    public function __construct(private Connection $database, private KeyedPage $page)
    {
    }

    /**
     * @param string $find  words that all have to stand in title, lot, printer or material
     * @param string $after id of the last that was shown; "" to begin
     *
     * @return list<array<string, mixed>>
     */
    public function page(string $find, string $after, bool $begun): array
    {
        $ids = $this->page->ids(
            'comparison t JOIN lot l ON l.id = t.lot_id JOIN printer p ON p.id = t.printer_id',
            'comparison',
            "CONCAT_WS(' ', t.title, l.label, l.name, p.name, REPLACE(t.material_id, '_', ' '))",
            $find,
            $after,
            $begun ? "t.status <> '".ComparisonStatus::Draft->value."'" : '',
        );
        $counts = [];
        foreach ($this->database->executeQuery(
            'SELECT comparison_id, status, COUNT(*) AS n FROM run WHERE comparison_id IN (?) GROUP BY comparison_id, status',
            [$ids],
            [ArrayParameterType::BINARY],
        )->iterateAssociative() as $row) {
            $counts[(string) $row['comparison_id']][(string) $row['status']] = (int) $row['n'];
        }
        $rows = [];
        foreach ($this->database->executeQuery(
            'SELECT c.id, c.title, c.status, c.material_id, l.label, p.name
             FROM comparison c JOIN lot l ON l.id = c.lot_id JOIN printer p ON p.id = c.printer_id WHERE c.id IN (?) ORDER BY c.created_at DESC, c.id DESC',
            [$ids],
            [ArrayParameterType::BINARY],
        )->iterateAssociative() as $row) {
            $count = $counts[(string) $row['id']] ?? [];
            $planned = $count[RunStatus::Planned->value] ?? 0;
            $running = $count[RunStatus::Running->value] ?? 0;
            $next = WhatNext::of(ComparisonStatus::from((string) $row['status']), $planned, $running);
            $rows[] = [
                'id' => StoredId::text($row['id']),
                'title' => $row['title'],
                'status' => $row['status'],
                'materialId' => $row['material_id'],
                'lotLabel' => $row['label'],
                'printerName' => $row['name'],
                'next' => WhatNext::Nothing === $next ? null : $next->words($planned, $running),
                'runs' => [
                    'planned' => $planned,
                    'running' => $running,
                    'done' => $count[RunStatus::Done->value] ?? 0,
                    'void' => $count[RunStatus::Void->value] ?? 0,
                ],
            ];
        }

        return $rows;
    }
}
