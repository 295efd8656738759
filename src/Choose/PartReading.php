<?php

declare(strict_types=1);

namespace App\Choose;

use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\Corner;
use Sitzplatz\Shape\FirstLayer;
use Sitzplatz\Shape\Formats;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\Point;
use Sitzplatz\Shape\ShapeFile;
use Sitzplatz\Shape\ThinEnd;

/** Reads a part from a file and says what was read, as the API and the command line show it. */
final class PartReading
{
    private const POINTS_DRAWN = 1500;

    /** @throws BadShape */
    public static function file(string $path, ?Deadline $deadline = null, Formats $formats = new Formats()): PartShape
    {
        $stream = @fopen($path, 'r');
        if (false === $stream) {
            throw BadShape::empty();
        }
        try {
            $deadline ??= Deadline::none();

            return ShapeFile::read(
                new FileBytes($stream, (int) filesize($path), $deadline),
                static fn (): ModelArchive => ModelArchive::open($path, $deadline),
                $formats,
            );
        } finally {
            fclose($stream);
        }
    }

    /** @return array<string, mixed> */
    public static function toArray(PartShape $shape): array
    {
        $patch = $shape->patch;
        $part = PartFacts::ofShape($shape);
        $first = $shape->firstLayer;
        $parts = PartFacts::partsIn($shape);
        $advice = FootholdAdvice::for($part, $parts);
        $foothold = PartFacts::footholdIn($shape);

        return [
            'format' => $shape->format->key(),
            'formatWords' => $shape->format->words(),
            'facets' => $shape->facets,
            'widthMm' => $shape->widthMm,
            'depthMm' => $shape->depthMm,
            'heightMm' => $shape->heightMm,
            'volumeMm3' => $shape->volumeMm3,
            'contactAreaMm2' => $patch->areaMm2,
            'outlineMm' => $patch->outlineMm,
            'islands' => \count($patch->islands),
            'holes' => \count($patch->holes),
            'sharpCorners' => array_map(
                static fn (Corner $c): array => ['xMm' => $c->at->xMm, 'yMm' => $c->at->yMm, 'degrees' => $c->interiorDegrees],
                $patch->sharpCorners(),
            ),
            'thinEnds' => array_map(
                static fn (ThinEnd $e): array => ['xMm' => $e->at->xMm, 'yMm' => $e->at->yMm, 'widthMm' => $e->widthMm],
                $patch->thinEnds(),
            ),
            'slenderness' => $shape->slenderness(),
            'extentMm' => $patch->extentMm(),
            'outlines' => self::outlines([...$patch->islands, ...$patch->holes]),
            'firstLayer' => null === $first ? null : ['tools' => self::tools($first)] + get_object_vars($first),
            'part' => self::part($part),
            'parts' => $parts,
            'foothold' => ['kind' => $foothold->kind->value, 'mm' => $foothold->mm],
            'advice' => [
                'foothold' => ['kind' => $advice->foothold->kind->value, 'mm' => $advice->foothold->mm],
                'sentence' => $advice->sentence,
                'gainedMm2' => $advice->gainedMm2,
            ],
            'remarks' => $shape->remarks,
        ];
    }

    /** @return list<array{tool: int, share: float}> */
    private static function tools(FirstLayer $first): array
    {
        return array_map(static fn (int $tool): array => ['tool' => $tool, 'share' => $first->tools[$tool]], array_keys($first->tools));
    }

    /** @return array<string, mixed> as a request to choose takes it */
    public static function part(PartFacts $part): array
    {
        return [
            'contactAreaMm2' => $part->contactAreaMm2,
            'outlineMm' => $part->outlineMm,
            'spanMm' => round($part->spanMm, 2),
            'barWidthMm' => round($part->barWidthMm, 2),
            'heightMm' => $part->heightMm,
            'sharpCorners' => $part->sharpCorners,
            'thinEnds' => $part->thinEnds,
            'islands' => $part->islands,
            'brimMm2' => array_map(static fn (float $mm2): float => round($mm2, 1), $part->brimMm2 ?? []),
            'layerHeightMm' => $part->layerHeightMm,
            'articulated' => $part->articulated,
        ];
    }

    /**
     * @param list<Outline> $outlines
     *
     * @return list<list<array{float, float}>>
     */
    private static function outlines(array $outlines): array
    {
        $points = array_sum(array_map(static fn (Outline $o): int => \count($o->points), $outlines));
        $tolerance = $points > self::POINTS_DRAWN ? 0.1 : 0.02;
        $drawn = [];
        foreach (\array_slice($outlines, 0, 400) as $outline) {
            $drawn[] = array_map(static fn (Point $p): array => [round($p->xMm, 3), round($p->yMm, 3)], $outline->simplified($tolerance)->points);
        }

        return $drawn;
    }
}
