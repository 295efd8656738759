<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Catalogue;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;

final class CatalogueTest extends TestCase
{
    private const MATERIAL = [
        'id' => 'pla',
        'name' => 'PLA',
        'glass_transition_c' => [55, 62],
        'bed_c' => [45, 65],
        'nozzle_c' => [195, 220],
        'expansion_um_mk' => 68,
        'modulus_gpa' => 3.3,
        'basis' => 'memory',
    ];
    private const SURFACE = [
        'id' => 'glass',
        'name' => 'glass',
        'grip' => 'film',
        'limit_c' => 120,
        'flexes' => false,
        'cleaning' => 'soap',
        'finish' => 'gloss',
        'release_way' => 'cool',
        'done_hot' => 'chips',
        'cleaners' => ['soap'],
        'harmed_by' => ['acetone'],
        'life_prints' => 100,
        'plate' => [['pane', 4]],
        'basis' => 'practice',
    ];
    private const AGENT = [
        'id' => 'stick',
        'name' => 'stick',
        'carrier' => 'water',
        'put_on' => 'thin',
        'lasts' => 'ten',
        'off_with' => 'water',
        'removed_by' => ['soap'],
        'coat_prints' => 7,
        'basis' => 'practice',
    ];
    private const PAIRING = [
        'material' => 'pla',
        'surface' => 'glass',
        'window_c' => [55, 60, 70],
        'release_c' => 35,
        'basis' => 'practice',
        'treatments' => ['bare' => ['hold' => 'fair', 'release' => 'strong'], 'stick' => ['role' => 'grip', 'hold' => 'strong', 'release' => 'strong']],
    ];

    private const CLEANERS = [
        ['id' => 'soap', 'name' => 'soap', 'how' => 'wash', 'basis' => 'practice'],
        ['id' => 'acetone', 'name' => 'acetone', 'how' => 'wipe', 'basis' => 'practice'],
    ];
    private const LAYER = [
        'id' => 'pane',
        'name' => 'pane',
        'conductivity_w_mk' => 1,
        'density_kg_m3' => 2500,
        'heat_capacity_j_kgk' => 800,
        'emissivity' => 0.9,
        'basis' => 'handbook',
    ];
    private const SCHOOL = [
        'id' => 'bare',
        'question' => 'Bare?',
        'schools' => ['Yes.', 'No.'],
        'default' => 'Yes.',
        'why' => 'Why not.',
        'about' => ['surfaces' => ['glass']],
    ];

    public function testItIsReadFromPlainData(): void
    {
        $catalogue = self::make();
        self::assertSame('PLA', $catalogue->material('pla')->name->english);
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
            ['cleaners' => []],
            ['layers' => []],
            ['schools' => [['about' => ['surfaces' => ['gold']]] + self::SCHOOL]],
            ['materials' => [['kind' => 'resin'] + self::MATERIAL]],
            ['pairings' => [['window_s' => [10, 20, 30]] + self::PAIRING]],
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
        return Catalogue::fromArray($change + [
            'materials' => [self::MATERIAL],
            'surfaces' => [self::SURFACE],
            'agents' => [self::AGENT],
            'cleaners' => self::CLEANERS,
            'layers' => [self::LAYER],
            'schools' => [self::SCHOOL],
            'pairings' => [self::PAIRING],
        ]);
    }
}
