<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Heat;

use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\LayerMaterial;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Words\CatalogueText;
use Symfony\Component\Yaml\Yaml;

trait BuildsStacks
{
    private static function of(string $id): LayerMaterial
    {
        static $rows = null;
        $rows ??= array_column(Yaml::parseFile(\dirname(__DIR__, 3).'/catalogue/layers.yaml'), null, 'id');
        $m = $rows[$id];

        return new LayerMaterial(
            $id,
            new CatalogueText('layer.name', $m['name']),
            $m['conductivity_w_mk'],
            $m['density_kg_m3'],
            $m['heat_capacity_j_kgk'],
            $m['emissivity'],
            $m['metal'] ?? false,
            $m['magnetic'] ?? false,
            Basis::from($m['basis']),
            tacky: $m['tacky'] ?? false,
        );
    }

    /** @param list<array{string, float, 2?: float}> $layers material, thickness mm, contact below m²K/W */
    private static function stack(array $layers, float $widthMm = 250, float $depthMm = 210): Stack
    {
        return new Stack(array_map(static fn (array $l): Layer => new Layer(self::of($l[0]), $l[1], $l[2] ?? 0.0), $layers), $widthMm, $depthMm);
    }
}
