<?php

declare(strict_types=1);

namespace App\Care;

use App\Platform\Database\StoredId;
use App\Shelf\PlateSide;
use Doctrine\DBAL\Connection;
use Sitzplatz\Care\PlacedPrints;
use Sitzplatz\Care\SpotMap;
use Sitzplatz\Wear\SideHistory;

/** How many runs each plate side has seen since it was fitted, washed and coated; from the tallies. */
final readonly class PlateHistory
{
    public function __construct(private Connection $database)
    {
    }

    /** @return array<string, SideHistory> by side */
    public function all(?PlateSide $only = null): array
    {
        $found = [];
        $onCoat = $this->materialsOnCoat($only);
        $where = null === $only ? '' : 'WHERE t.side_id = ?';
        foreach ($this->database->iterateAssociative(
            "SELECT t.*, a.kind_id, a.name AS agent, p.width_mm, p.depth_mm, p.wash_prints,
                IF(p.purchased_on < f.created_at AND f.id = (SELECT MIN(x.id) FROM fitting x WHERE x.side_id = s.id), p.purchased_on, f.created_at) AS laid_at
                FROM side_tally t JOIN plate_side s ON s.id = t.side_id JOIN fitting f ON f.id = s.fitting_id
                JOIN plate p ON p.id = s.plate_id LEFT JOIN agent_stock a ON a.id = t.coat_agent_id $where",
            null === $only ? [] : [$only->id->toBinary()],
        ) as $row) {
            $found[StoredId::text($row['side_id'])] = new SideHistory(
                (int) $row['runs'],
                (int) $row['since_wash'],
                self::mostOnCoat((string) $row['on_coat'], (float) $row['width_mm'], (float) $row['depth_mm']),
                self::time($row['washed_at']),
                self::time($row['coated_at']),
                \is_string($row['kind_id']) ? $row['kind_id'] : null,
                \is_string($row['agent']) ? $row['agent'] : null,
                self::time($row['last_held']),
                self::time($row['scuffed_at']),
                (int) $row['damages'],
                self::time($row['last_print']),
                null === $row['wash_prints'] ? null : (int) $row['wash_prints'],
                $onCoat[StoredId::text($row['side_id'])] ?? [],
                self::time($row['laid_at']),
            );
        }

        return $found;
    }

    /** @return array<string, list<string>> what was printed on the coat that is on, by side */
    private function materialsOnCoat(?PlateSide $only): array
    {
        $of = null === $only ? '' : 'AND t.side_id = ?';
        $found = [];
        foreach ($this->database->iterateNumeric(
            "SELECT DISTINCT t.side_id, j.material_id FROM side_tally t JOIN job j ON j.fitting_id = t.fitting_id AND j.status = 'answered'
                AND j.answered_at > t.coated_at WHERE t.coated_at IS NOT NULL $of
             UNION SELECT DISTINCT t.side_id, s.material_id FROM side_tally t JOIN run r ON r.fitting_id = t.fitting_id AND r.finished_at > t.coated_at
                JOIN setup s ON s.id = r.setup_id WHERE t.coated_at IS NOT NULL $of",
            null === $only ? [] : [$only->id->toBinary(), $only->id->toBinary()],
        ) as [$side, $material]) {
            $found[StoredId::text($side)][] = (string) $material;
        }

        return $found;
    }

    private static function mostOnCoat(string $list, float $widthMm, float $depthMm): int
    {
        static $known = [];

        return '' === $list ? 0 : $known["$list/$widthMm/$depthMm"] ??= SpotMap::mostOnCoat(
            PlacedPrints::listed($list, $widthMm, $depthMm),
            $widthMm,
            $depthMm,
        );
    }

    /** It is UTC as it stands; made by hand, as it is done for every side of the shop. */
    private static function time(mixed $value): ?string
    {
        return \is_string($value) ? substr($value, 0, 10).'T'.(substr($value, 11, 8) ?: '00:00:00').'+00:00' : null;
    }
}
