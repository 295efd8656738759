<?php

declare(strict_types=1);

namespace App\Start;

use App\Platform\Database\KeyedPage;
use App\Platform\Database\StoredId;
use App\Platform\Http\Answer;
use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Things of the shop by a few letters of their name, for whoever knows what they want. */
final readonly class FindController
{
    private const OF_EACH = 6;
    /** Kind, table, the name that it goes by, what else it is known by, and what of it can be found. */
    private const KINDS = [
        'plate' => ['plate t', 't.number', 't.note', 't.retired = 0'],
        'lot' => ['lot t', 't.label', 't.name', 't.retired = 0'],
        'profile' => ['profile t', 't.title', "''", "t.status <> 'withdrawn'"],
        'comparison' => ['comparison t', 't.title', "''", '1 = 1'],
    ];

    public function __construct(private Connection $database)
    {
    }

    #[Route('/api/find', name: 'find', methods: ['GET'])]
    public function find(Request $request): Answer
    {
        $words = \array_slice(preg_split('/\s+/', trim($request->query->getString('words')), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, 5);
        $found = [];
        foreach ([] === $words ? [] : self::KINDS as $kind => [$from, $name, $besides, $only]) {
            $where = implode(' AND ', array_map(static fn (): string => "CONCAT_WS(' ', $name, $besides) LIKE ? ESCAPE '!'", $words));
            // What begins so stands before what merely has it, and P2 before P10.
            foreach ($this->database->iterateAssociative(
                "SELECT t.id, $name AS name, $besides AS besides FROM $from WHERE $only AND $where
                 ORDER BY $name LIKE ? ESCAPE '!' DESC, NATURAL_SORT_KEY($name), t.id DESC LIMIT ".self::OF_EACH,
                [...array_map(static fn (string $word): string => '%'.KeyedPage::literal($word).'%', $words), KeyedPage::literal($words[0]).'%'],
            ) as $row) {
                $found[] = ['kind' => $kind, 'id' => StoredId::text($row['id']), 'name' => (string) $row['name'], 'besides' => (string) $row['besides']];
            }
        }

        return new Answer($found);
    }
}
