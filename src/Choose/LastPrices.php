<?php

declare(strict_types=1);

namespace App\Choose;

use Doctrine\DBAL\Connection;

/** What the shop last paid for a kind, also of what it has given up since. */
final readonly class LastPrices
{
    public function __construct(private Connection $database)
    {
    }

    /** @return float|null of a plate with it; null: it never had one with a price */
    public function ofSurface(string $surfaceId): ?float
    {
        return self::price($this->database->fetchOne(
            'SELECT p.price FROM fitting f JOIN plate_side s ON s.id = f.side_id JOIN plate p ON p.id = s.plate_id
             WHERE f.surface_id = ? AND p.price IS NOT NULL ORDER BY f.id DESC LIMIT 1',
            [$surfaceId],
        ));
    }

    /** @return float|null of a stick, can or jar; null: it never had one with a price */
    public function ofAgent(string $kindId): ?float
    {
        return self::price($this->database->fetchOne(
            'SELECT price FROM agent_stock WHERE kind_id = ? AND price IS NOT NULL ORDER BY id DESC LIMIT 1',
            [$kindId],
        ));
    }

    private static function price(mixed $price): ?float
    {
        return is_numeric($price) ? (float) $price : null;
    }
}
