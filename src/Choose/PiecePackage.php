<?php

declare(strict_types=1);

namespace App\Choose;

use Sitzplatz\Shape\Piece\Solid;

/** A test piece as a 3MF package (3MF core specification; from memory). */
final class PiecePackage
{
    private const XML = '<?xml version="1.0" encoding="UTF-8"?>';
    private const PACKAGE = 'http://schemas.openxmlformats.org/package/2006/';
    private const MODEL = 'http://schemas.microsoft.com/3dmanufacturing/';

    /** @param list<Solid> $solids */
    public static function of(array $solids): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'piece');
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::OVERWRITE);
        $zip->addFromString('[Content_Types].xml', self::XML.'<Types xmlns="'.self::PACKAGE.'content-types">'
            .'<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>'
            .'<Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>');
        $zip->addFromString('_rels/.rels', self::XML.'<Relationships xmlns="'.self::PACKAGE.'relationships">'
            .'<Relationship Target="/3D/3dmodel.model" Id="rel0" Type="'.self::MODEL.'2013/01/3dmodel"/></Relationships>');
        $zip->addFromString('3D/3dmodel.model', self::model($solids));
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /** @param list<Solid> $solids one object each, all placed as they stand */
    private static function model(array $solids): string
    {
        $objects = $items = '';
        foreach ($solids as $i => $solid) {
            $id = $i + 1;
            $places = $vertices = [];
            $faces = '';
            foreach ($solid->triangles as $triangle) {
                $v = [];
                foreach ($triangle as [$x, $y, $z]) {
                    $vertex = \sprintf('<vertex x="%.6F" y="%.6F" z="%.6F"/>', $x, $y, $z);
                    if (!isset($places[$vertex])) {
                        $places[$vertex] = \count($vertices);
                        $vertices[] = $vertex;
                    }
                    $v[] = $places[$vertex];
                }
                $faces .= \sprintf('<triangle v1="%d" v2="%d" v3="%d"/>', ...$v);
            }
            $objects .= \sprintf(
                '<object id="%d" type="model"><mesh><vertices>%s</vertices><triangles>%s</triangles></mesh></object>',
                $id,
                implode('', $vertices),
                $faces,
            );
            $items .= \sprintf('<item objectid="%d"/>', $id);
        }

        return self::XML.'<model unit="millimeter" xml:lang="en-US" xmlns="'.self::MODEL.'core/2015/02">'
            ."<resources>$objects</resources><build>$items</build></model>";
    }
}
