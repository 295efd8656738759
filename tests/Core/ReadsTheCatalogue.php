<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core;

use Sitzplatz\Catalogue\Catalogue;
use Symfony\Component\Yaml\Yaml;

/** The catalogue as it ships. */
trait ReadsTheCatalogue
{
    private static function catalogue(): Catalogue
    {
        static $catalogue = null;
        $folder = \dirname(__DIR__, 2).'/catalogue';

        return $catalogue ??= Catalogue::fromArray([
            'materials' => Yaml::parseFile("$folder/materials.yaml"),
            'surfaces' => Yaml::parseFile("$folder/surfaces.yaml"),
            'agents' => Yaml::parseFile("$folder/agents.yaml"),
            'pairings' => Yaml::parseFile("$folder/pairings.yaml"),
        ]);
    }
}
