<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Http\Problem;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\Uuid;

/** Profiles page by page, the newest first. */
final readonly class ProfileList
{
    private const AT_ONCE = 50;
    /** Where in the document stands what somebody looks for, beside the title. */
    private const NAMES = ['$.scope.materialName', '$.scope.surfaceName', '$.scope.printerName', '$.scope.sideLabel'];

    public function __construct(private EntityManagerInterface $entities)
    {
    }

    /**
     * @param string $find  words that all have to stand in its title or names
     * @param string $after id of the last that was shown; "" to begin
     *
     * @return list<Profile>
     */
    public function page(string $find, string $after): array
    {
        $database = $this->entities->getConnection();
        $where = ['1 = 1'];
        $with = [];
        if ('' !== $after) {
            $last = Uuid::isValid($after) ? $database->fetchAssociative(
                'SELECT id, created_at FROM profile WHERE id = ?',
                [Uuid::fromString($after)->toBinary()],
            ) : false;
            if (false === $last) {
                throw Problem::invalid('after', 'There is no such profile: load the list again.');
            }
            $where[] = '(created_at, id) < (?, ?)';
            array_push($with, $last['created_at'], $last['id']);
        }
        foreach (\array_slice(preg_split('/\s+/', trim($find), -1, \PREG_SPLIT_NO_EMPTY) ?: [], 0, 8) as $word) {
            $where[] = "CONCAT_WS(' ', title, ".implode(
                ', ',
                array_map(static fn (string $path): string => "JSON_EXTRACT(document, '$path')", self::NAMES),
            ).") LIKE ? ESCAPE '!'";
            $with[] = '%'.strtr($word, ['!' => '!!', '%' => '!%', '_' => '!_']).'%';
        }
        $ids = $database->fetchFirstColumn(
            'SELECT id FROM profile WHERE '.implode(' AND ', $where).' ORDER BY created_at DESC, id DESC LIMIT '.self::AT_ONCE,
            $with,
        );

        /** @var list<Profile> $profiles */
        $profiles = $this->entities->createQuery(
            'SELECT p, s, f, g, pl, r FROM '.Profile::class.' p LEFT JOIN p.side s LEFT JOIN s.fitting f LEFT JOIN s.plate pl LEFT JOIN p.fitting g
             LEFT JOIN p.printer r WHERE p.id IN (:ids) ORDER BY p.createdAt DESC, p.id DESC',
        )->setParameter('ids', $ids)->getResult();

        return $profiles;
    }
}
