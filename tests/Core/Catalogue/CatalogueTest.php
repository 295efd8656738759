<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Catalogue;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;

final class CatalogueTest extends TestCase
{
    private const MATERIAL = ['id' => 'pla', 'name' => 'PLA', 'glass_transition_c' => [55, 62], 'bed_c' => [45, 65], 'nozzle_c' => [195, 220], 'basis' => 'memory'];
    private const SURFACE = ['id' => 'glass', 'name' => 'glass', 'grip' => 'film', 'limit_c' => 120, 'flexes' => false, 'cleaning' => 'soap', 'finish' => 'gloss', 'basis' => 'practice'];
    private const AGENT = ['id' => 'stick', 'name' => 'stick', 'carrier' => 'water', 'put_on' => 'thin', 'lasts' => 'ten', 'off_with' => 'water', 'basis' => 'practice'];
    private const PAIRING = ['material' => 'pla', 'surface' => 'glass', 'window_c' => [55, 60, 70], 'release_c' => 35, 'release_way' => 'cool', 'basis' => 'practice', 'treatments' => ['bare' => ['hold' => 'fair', 'release' => 'strong'], 'stick' => ['role' => 'grip', 'hold' => 'strong', 'release' => 'strong']]];

    public function testItIsReadFromPlainData(): void
    {
        $catalogue = self::make();
        self::assertSame('PLA', $catalogue->material('pla')->name);
        self::assertSame('fair', $catalogue->pairing('pla', 'glass')?->treatment(null)?->hold->value);
        self::assertSame('strong', $catalogue->pairing('pla', 'glass')->treatment('stick')?->hold->value);
        self::assertNull($catalogue->pairing('pla', 'glass')->treatment('spray'));
        self::assertNull($catalogue->pairing('pla', 'steel'));
        self::assertNotSame($catalogue->digest, self::make(['surfaces' => [['limit_c' => 110] + self::SURFACE]])->digest);
    }

    public function testWhatASchemaCannotSeeIsRefused(): void
    {
        foreach ([
            ['materials' => [self::MATERIAL, self::MATERIAL]],
            ['pairings' => [self::PAIRING, self::PAIRING]],
            ['pairings' => [['material' => 'gold'] + self::PAIRING]],
            ['pairings' => [['surface' => 'gold'] + self::PAIRING]],
            ['agents' => []],
            ['pairings' => [['window_c' => [60, 55, 70]] + self::PAIRING]],
        ] as $change) {
            try {
                self::make($change);
                self::fail('This catalogue contradicts itself.');
            } catch (BadCatalogue $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
        $this->expectException(BadCatalogue::class);
        self::make()->agent('gold');
    }

    /** @param array<string, list<array<string, mixed>>> $change */
    private static function make(array $change = []): Catalogue
    {
        return Catalogue::fromArray($change + ['materials' => [self::MATERIAL], 'surfaces' => [self::SURFACE], 'agents' => [self::AGENT], 'pairings' => [self::PAIRING]]);
    }
}
