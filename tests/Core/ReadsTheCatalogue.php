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
        if (null === $catalogue) {
            /** @var array<string, list<array<string, mixed>>> $data */
            $data = [];
            foreach (['materials', 'surfaces', 'agents', 'cleaners', 'layers', 'schools', 'pairings'] as $name) {
                $data[$name] = Yaml::parseFile(\dirname(__DIR__, 2)."/catalogue/$name.yaml");
            }
            $catalogue = Catalogue::fromArray($data);
        }

        return $catalogue;
    }
}
