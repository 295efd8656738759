<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\KeyedPage;
use Doctrine\ORM\EntityManagerInterface;

/** Profiles page by page, the newest first. */
final readonly class ProfileList
{
    /** Where in the document stands what somebody looks for, beside the title. */
    private const NAMES = ['$.scope.materialName', '$.scope.surfaceName', '$.scope.printerName', '$.scope.sideLabel'];

    public function __construct(private EntityManagerInterface $entities, private KeyedPage $page)
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
        $names = implode(', ', array_map(static fn (string $path): string => "JSON_EXTRACT(t.document, '$path')", self::NAMES));
        $ids = $this->page->ids('profile t', 'profile', "CONCAT_WS(' ', t.title, $names)", $find, $after);

        /** @var list<Profile> $profiles */
        $profiles = $this->entities->createQuery(
            'SELECT p, s, f, g, pl, r FROM '.Profile::class.' p LEFT JOIN p.side s LEFT JOIN s.fitting f LEFT JOIN s.plate pl LEFT JOIN p.fitting g
             LEFT JOIN p.printer r WHERE p.id IN (:ids) ORDER BY p.createdAt DESC, p.id DESC',
        )->setParameter('ids', $ids)->getResult();

        return $profiles;
    }
}
