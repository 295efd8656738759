<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Database\StoredId;
use App\Platform\Http\Answer;
use App\Platform\Http\Cells;
use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who did what, when; for leads. */
final readonly class AuditController
{
    private const AT_ONCE = 50;
    private const MOST_LINES = 10_000;

    public function __construct(private Connection $database)
    {
    }

    #[Route('/api/audit', name: 'listAudit', methods: ['GET'])]
    public function list(Request $request): Answer
    {
        $rows = $this->rows($request, self::AT_ONCE + 1);

        return new Answer([
            'entries' => \array_slice($rows, 0, self::AT_ONCE),
            'more' => \count($rows) > self::AT_ONCE,
            'people' => $this->database->fetchFirstColumn('SELECT DISTINCT user_name FROM audit_entry ORDER BY user_name'),
            'actions' => $this->database->fetchFirstColumn('SELECT DISTINCT action FROM audit_entry ORDER BY action'),
        ]);
    }

    #[Route('/api/audit/table', name: 'exportAudit', methods: ['GET'])]
    public function table(Request $request): Response
    {
        $out = fopen('php://memory', 'w+');
        \assert(false !== $out);
        fputcsv($out, ['time', 'person', 'action', 'subject', 'detail'], ',', '"', '');
        foreach ($this->rows($request, self::MOST_LINES) as $row) {
            fputcsv($out, Cells::harmless([
                $row['at'],
                $row['person'],
                $row['action'],
                $row['subjectId'],
                implode('; ', array_map(static fn (array $each): string => $each['name'].': '.$each['value'], $row['detail'])),
            ]), ',', '"', '');
        }
        rewind($out);

        return new Response((string) stream_get_contents($out), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="audit.csv"',
        ]);
    }

    /**
     * @return list<array{id: string, at: string, person: string, action: string, subjectId: string,
     *     detail: list<array{name: string, value: string}>}> the newest first
     */
    private function rows(Request $request, int $most): array
    {
        $where = ['1 = 1'];
        $with = [];
        foreach (['person' => 'user_name', 'action' => 'action', 'subject' => 'subject_id'] as $name => $column) {
            $value = $request->query->getString($name);
            if ('' !== $value) {
                $where[] = "$column = ?";
                $with[] = 'subject' === $name ? StoredId::bytes($value) : $value;
            }
        }
        $after = $request->query->getString('after');
        if ('' !== $after) {
            // Keys grow with time.
            $where[] = 'id < ?';
            $with[] = StoredId::bytes($after);
        }
        $rows = [];
        foreach ($this->database->iterateAssociative(
            'SELECT id, created_at, user_name, action, subject_id, detail FROM audit_entry WHERE '.implode(' AND ', $where)." ORDER BY id DESC LIMIT $most",
            $with,
        ) as $row) {
            $rows[] = [
                'id' => StoredId::text($row['id']),
                'at' => (new \DateTimeImmutable((string) $row['created_at'], new \DateTimeZone('UTC')))->format(\DATE_ATOM),
                'person' => (string) $row['user_name'],
                'action' => (string) $row['action'],
                'subjectId' => StoredId::text($row['subject_id']),
                'detail' => self::said((string) $row['detail']),
            ];
        }

        return $rows;
    }

    /** @return list<array{name: string, value: string}> */
    private static function said(string $json): array
    {
        $said = [];
        foreach (self::changed((array) json_decode($json, true, 64, \JSON_THROW_ON_ERROR)) as $name => $value) {
            $said[] = ['name' => (string) $name, 'value' => self::text($value)];
        }

        return $said;
    }

    /**
     * Of a thing that was changed, what it is called and what is not as it was.
     *
     * @param array<mixed> $detail
     *
     * @return array<mixed>
     */
    private static function changed(array $detail): array
    {
        ['before' => $before, 'after' => $after] = $detail + ['before' => null, 'after' => null];
        if (!\is_array($before) || !\is_array($after)) {
            return $detail;
        }
        $changed = ['of' => $before['number'] ?? $before['label'] ?? $before['name'] ?? null];
        foreach ($after as $name => $value) {
            $was = $before[$name] ?? null;
            // A whole number was sent as such, and stored as a measure.
            $same = null === $was || null === $value ? $was === $value : $was == $value;
            if ('version' !== $name && !$same) {
                $changed[$name] = self::text($was).' → '.self::text($value);
            }
        }

        return array_diff_key($detail, ['before' => 0, 'after' => 0]) + $changed;
    }

    private static function text(mixed $value): string
    {
        return match (true) {
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_scalar($value) => (string) $value,
            null === $value => '–',
            default => (string) json_encode($value, \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES),
        };
    }
}
