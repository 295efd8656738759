<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Shape\ByteSource;
use Sitzplatz\Shape\PartFormat;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\ShapeFile;
use Sitzplatz\Tests\Core\Shape\Bytes;
use Sitzplatz\Words\OwnText;

/** A file format that somebody adds: "triangles", then nine numbers a line. */
final readonly class TriangleList implements PartFormat
{
    public function key(): string
    {
        return 'triangle_list';
    }

    public function words(): OwnText
    {
        return new OwnText('list of triangles');
    }

    public function recognises(string $head, int $sizeBytes): bool
    {
        return str_starts_with($head, "triangles\n");
    }

    public function read(string $head, ByteSource $rest): PartShape
    {
        $stl = "solid list\n";
        foreach (\array_slice(explode("\n", trim($head.$rest->read($rest->sizeBytes()))), 1) as $line) {
            $stl .= "facet normal 0 0 0\nouter loop\n";
            foreach (array_chunk(explode(' ', $line), 3) as $corner) {
                $stl .= 'vertex '.implode(' ', $corner)."\n";
            }
            $stl .= "endloop\nendfacet\n";
        }
        $bytes = new Bytes($stl."endsolid list\n");
        $shape = ShapeFile::read($bytes, static fn (): Bytes => $bytes);

        return new PartShape($this, $shape->facets, $shape->widthMm, $shape->depthMm, $shape->heightMm, $shape->volumeMm3, $shape->patch, null, $shape->remarks);
    }
}
