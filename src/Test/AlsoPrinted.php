<?php

declare(strict_types=1);

namespace App\Test;

/** What else stands on the plate beside the material: kept as one word, so that rows are matched on it. */
final class AlsoPrinted
{
    /** @param list<string> $ids from the catalogue */
    public static function word(array $ids): string
    {
        $ids = array_values(array_unique($ids));
        sort($ids);

        return implode(',', $ids);
    }

    /** @return list<string> */
    public static function ids(string $word): array
    {
        return '' === $word ? [] : explode(',', $word);
    }
}
