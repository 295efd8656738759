<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\KeyedPage;
use Doctrine\DBAL\ArrayParameterType;
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
     * @return list<array<string, mixed>> rows, with their ground as {@see ProfileDoubts::ofRow} takes it
     */
    public function page(string $find, string $after): array
    {
        $names = implode(', ', array_map(static fn (string $path): string => "JSON_EXTRACT(t.document, '$path')", self::NAMES));
        $ids = $this->page->ids('profile t', 'profile', "CONCAT_WS(' ', t.title, $names)", $find, $after);

        return $this->entities->getConnection()->executeQuery(
            'SELECT p.id, p.revision, p.title, p.status, p.material_id, p.document, p.signed_by, p.signed_at, '.ProfileDoubts::GROUND.'
             FROM profile p '.ProfileDoubts::SHELF.' WHERE p.id IN (?) ORDER BY p.created_at DESC, p.id DESC',
            [$ids],
            [ArrayParameterType::BINARY],
        )->fetchAllAssociative();
    }
}
