<?php

declare(strict_types=1);

namespace App\Platform\Database;

use App\Platform\Http\Problem;
use Doctrine\DBAL\Connection;
use Symfony\Component\Uid\Uuid;

/** One page of a list that grows without end, after the one that was shown last, with all words that are looked for. */
final readonly class KeyedPage
{
    public const AT_ONCE = 50;
    private const MOST_WORDS = 8;

    public function __construct(private Connection $database)
    {
    }

    /**
     * The newest first.
     *
     * @param string       $from  table, as "t", with what is joined to it
     * @param string       $table the table itself
     * @param string       $text  an expression of all that words are looked for in
     * @param string       $find  words that all have to stand in it
     * @param string       $after id of the last that was shown; "" to begin
     * @param string       $only  a further condition on t; "" for none
     * @param list<string> $with  what stands for its question marks
     *
     * @return list<string> ids as they are stored
     *
     * @throws Problem if there is no row to go on after
     */
    public function ids(string $from, string $table, string $text, string $find, string $after, string $only = '', array $with = []): array
    {
        return $this->page($from, $table, 'created_at', '', 'DESC', $text, $find, $after, $only, $with);
    }

    /**
     * By a name, as people order them: P2 before P10. The rest as above.
     *
     * @return list<string> ids as they are stored
     *
     * @throws Problem if there is no row to go on after
     */
    public function named(string $from, string $table, string $name, string $text, string $find, string $after, string $only = ''): array
    {
        return $this->page($from, $table, $name, 'NATURAL_SORT_KEY', 'ASC', $text, $find, $after, $only, []);
    }

    /** For a LIKE with "!" as its escape: a sign of the pattern is a sign. */
    public static function literal(string $word): string
    {
        return strtr($word, ['!' => '!!', '%' => '!%', '_' => '!_']);
    }

    /**
     * @template T of Row
     *
     * @param list<string> $ids  as they are stored
     * @param list<T>      $rows of these ids, in any order
     *
     * @return list<T> in the order of the page
     */
    public static function ordered(array $ids, array $rows): array
    {
        $place = array_flip($ids);
        usort($rows, static fn (Row $a, Row $b): int => $place[$a->id->toBinary()] <=> $place[$b->id->toBinary()]);

        return $rows;
    }

    /**
     * @param list<string> $with
     *
     * @return list<string>
     */
    private function page(
        string $from,
        string $table,
        string $column,
        string $key,
        string $way,
        string $text,
        string $find,
        string $after,
        string $only,
        array $with,
    ): array {
        $where = ['' === $only ? '1 = 1' : $only];
        if ('' !== $after) {
            $last = Uuid::isValid($after) ? $this->database->fetchAssociative(
                "SELECT id, $column AS place FROM $table WHERE id = ?",
                [Uuid::fromString($after)->toBinary()],
            ) : false;
            if (false === $last) {
                throw Problem::invalid('after', 'There is no such row: load the list again.');
            }
            $where[] = "($key(t.$column), t.id) ".('ASC' === $way ? '>' : '<')." ($key(?), ?)";
            array_push($with, $last['place'], $last['id']);
        }
        $words = \array_slice(preg_split('/\s+/', trim($find), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, self::MOST_WORDS);
        foreach ($words as $word) {
            $where[] = "$text LIKE ? ESCAPE '!'";
            $with[] = '%'.self::literal($word).'%';
        }

        // What is joined is only searched in: without words the order comes from the index of the table alone.
        $sql = 'SELECT t.id FROM '.([] === $words ? "$table t" : $from).' WHERE '.implode(' AND ', $where);

        /* @var list<string> */
        return $this->database->fetchFirstColumn("$sql ORDER BY $key(t.$column) $way, t.id $way LIMIT ".self::AT_ONCE, $with);
    }
}
