<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use App\Bench\HeldBytes;
use App\Bench\ShapeInputs;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ShapeFile;
use Sitzplatz\Tests\Core\HoldsFigures;

/** What is read of files, sound and spoilt. */
final class FiguresTest extends TestCase
{
    use HoldsFigures;

    public function testTheFiguresOfManyFilesStayAsTheyAre(): void
    {
        $inputs = new ShapeInputs(9);
        $figures = [];
        for ($i = 0; $i < 170; ++$i) {
            $file = $inputs->next();
            if (\strlen($file['bytes']) > 16_000) {
                continue;
            }
            try {
                $bytes = static fn (): HeldBytes => new HeldBytes($file['bytes']);
                $shape = ShapeFile::read($file['model'] ? new HeldBytes("PK\x03\x04".str_repeat("\0", 80)) : $bytes(), $bytes);
                $part = PartFacts::ofShape($shape);
                $patch = $shape->patch;
                $figures["file $i"] = [
                    $shape->widthMm, $shape->depthMm, $shape->heightMm, $shape->volumeMm3, $shape->objects, $shape->firstLayer,
                    $patch->areaMm2, $patch->brimAreaMm2(4.0), $part,
                    array_map(static fn ($corner): array => [$corner->at->xMm, $corner->at->yMm], \array_slice($patch->sharpCorners(), 0, 3)),
                    \array_slice($patch->thinEnds(), 0, 2),
                    PartFacts::footholdIn($shape), FootholdAdvice::for($part, PartFacts::partsIn($shape)),
                ];
            } catch (BadShape $bad) {
                $figures["file $i"] = $bad->sentence;
            }
        }
        self::hold('shape', $figures);
    }
}
