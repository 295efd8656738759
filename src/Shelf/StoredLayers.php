<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Http\Problem;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Heat\Layer;

/** Layers of a plate or bed as they are stored and sent. */
final class StoredLayers
{
    /**
     * @param list<array{of: string, mm: float|int, contactM2KW?: float|int|null}> $layers
     * @param bool                                                                 $laidOn the lowest lies loose on what is below it
     *
     * @return list<Layer>
     */
    public static function read(array $layers, Catalogue $catalogue, bool $laidOn = false): array
    {
        $read = [];
        foreach ($layers as $i => $layer) {
            $contact = $layer['contactM2KW'] ?? null;
            $read[] = new Layer(
                $catalogue->layer($layer['of']),
                (float) $layer['mm'],
                null !== $contact ? (float) $contact : Layer::usualContactM2KW(
                    $catalogue->layer($layer['of']),
                    0 === $i ? null : $catalogue->layer($layers[$i - 1]['of']),
                    $laidOn,
                ),
            );
        }

        return $read;
    }

    /**
     * @param list<array{of: string, mm: float|int, contactM2KW?: float|int|null}> $layers
     *
     * @throws Problem if one is made of something that the catalogue does not have
     */
    public static function check(array $layers, Catalogue $catalogue, string $field): void
    {
        foreach ($layers as $i => $layer) {
            if (!isset($catalogue->layers[$layer['of']])) {
                throw Problem::invalid("$field.$i.of", 'The catalogue has no such layer: choose one from the list.');
            }
        }
    }
}
