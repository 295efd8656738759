<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Database\KeyedPage;
use App\Platform\Http\Problem;
use Doctrine\DBAL\ArrayParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Uid\Uuid;

/** Profiles page by page, the newest first. */
final readonly class ProfileList
{
    /** Where in the document stands what somebody looks for, beside the title. */
    private const NAMES = ['$.scope.materialName', '$.scope.surfaceName', '$.scope.printerName', '$.scope.sideLabel'];

    private const COLUMNS = ['materialId' => 'material_id', 'printerId' => 'printer_id', 'sideId' => 'side_id', 'status' => 'status'];

    public function __construct(private EntityManagerInterface $entities, private KeyedPage $page)
    {
    }

    /**
     * @param string                $find  words that all have to stand in its title or names
     * @param string                $after id of the last that was shown; "" to begin
     * @param array<string, string> $only  materialId, printerId, sideId or status that it has to have
     *
     * @return list<array<string, mixed>> rows, with their ground as {@see ProfileDoubts::ofRow} takes it
     */
    public function page(string $find, string $after, array $only): array
    {
        $where = $with = [];
        foreach (self::COLUMNS as $name => $column) {
            $value = $only[$name] ?? '';
            if ('' !== $value) {
                $where[] = "t.$column = ?";
                $with[] = str_ends_with($column, '_id') && 'material_id' !== $column ? self::key($value, $name) : $value;
            }
        }
        $names = implode(', ', array_map(static fn (string $path): string => "JSON_EXTRACT(t.document, '$path')", self::NAMES));
        $ids = $this->page->ids('profile t', 'profile', "CONCAT_WS(' ', t.title, $names)", $find, $after, implode(' AND ', $where), $with);

        return $this->entities->getConnection()->executeQuery(
            'SELECT p.id, p.revision, p.title, p.status, p.material_id, p.document, p.signed_by, p.signed_at, '.ProfileDoubts::GROUND.'
             FROM profile p '.ProfileDoubts::SHELF.' WHERE p.id IN (?) ORDER BY p.created_at DESC, p.id DESC',
            [$ids],
            [ArrayParameterType::BINARY],
        )->fetchAllAssociative();
    }

    private static function key(string $value, string $name): string
    {
        return Uuid::isValid($value) ? Uuid::fromString($value)->toBinary() : throw Problem::invalid($name, 'There is no such row: choose one from the list.');
    }
}
