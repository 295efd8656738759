<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\FormatName;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Takes the facets of a mesh one by one and keeps only what the plate sees: bounds, volume (sum of signed tetrahedra), and
 * the facets near the lowest point, for the section half a first layer above it. A section is what is laid down first,
 * and it does not need a part whose underside is exactly flat.
 */
final class Facets
{
    /** Half of a usual first layer, mm. */
    private const SECTION_AT_MM = 0.1;
    private const MOST_KEPT = 900_000;
    /** Longer than any printer's bed, mm. */
    private const LONGEST_MM = 10_000.0;

    public int $count = 0;
    private float $lowestMm = \INF;
    private float $highestMm = -\INF;
    private float $minX = \INF;
    private float $maxX = -\INF;
    private float $minY = \INF;
    private float $maxY = -\INF;
    private float $sixVolumes = 0.0;
    private string $kept = '';
    private int $purgeAt = 36 * 50_000;

    /**
     * Three corners, mm, counterclockwise seen from outside.
     *
     * @throws BadShape if a coordinate is not a number or the mesh is too fine
     */
    public function add(float $x1, float $y1, float $z1, float $x2, float $y2, float $z2, float $x3, float $y3, float $z3): void
    {
        ++$this->count;
        $this->sixVolumes += $x1 * ($y2 * $z3 - $y3 * $z2) + $x2 * ($y3 * $z1 - $y1 * $z3) + $x3 * ($y1 * $z2 - $y2 * $z1);
        $low = $z1 < $z2 ? $z1 : $z2;
        if ($z3 < $low) {
            $low = $z3;
        }
        $high = $z1 > $z2 ? $z1 : $z2;
        if ($z3 > $high) {
            $high = $z3;
        }
        if ($x1 < $this->minX) {
            $this->minX = $x1;
        }
        if ($x1 > $this->maxX) {
            $this->maxX = $x1;
        }
        if ($y1 < $this->minY) {
            $this->minY = $y1;
        }
        if ($y1 > $this->maxY) {
            $this->maxY = $y1;
        }
        if ($x2 < $this->minX) {
            $this->minX = $x2;
        }
        if ($x2 > $this->maxX) {
            $this->maxX = $x2;
        }
        if ($y2 < $this->minY) {
            $this->minY = $y2;
        }
        if ($y2 > $this->maxY) {
            $this->maxY = $y2;
        }
        if ($x3 < $this->minX) {
            $this->minX = $x3;
        }
        if ($x3 > $this->maxX) {
            $this->maxX = $x3;
        }
        if ($y3 < $this->minY) {
            $this->minY = $y3;
        }
        if ($y3 > $this->maxY) {
            $this->maxY = $y3;
        }
        if ($high > $this->highestMm) {
            $this->highestMm = $high;
        }
        if ($low < $this->lowestMm) {
            if ($low + self::SECTION_AT_MM <= $this->lowestMm) {
                $this->kept = '';
            }
            $this->lowestMm = $low;
        }
        if ($low >= $this->lowestMm + self::SECTION_AT_MM || $high <= $low) {
            return;
        }
        $this->kept .= pack('g9', $x1, $y1, $z1, $x2, $y2, $z2, $x3, $y3, $z3);
        if (\strlen($this->kept) > $this->purgeAt) {
            $this->purge();
        }
    }

    /**
     * @param list<Sentence> $remarks
     *
     * @throws BadShape if there is no body
     */
    public function shape(FormatName $format, array $remarks = [], int $objects = 1): PartShape
    {
        if (0 === $this->count) {
            throw BadShape::noFacets();
        }
        $this->checkNumbers();
        $height = $this->highestMm - $this->lowestMm;
        if ($height < 0.05) {
            throw BadShape::flat();
        }
        $section = Section::of($this->kept, $this->lowestMm + min(self::SECTION_AT_MM, $height / 2));
        $this->kept = '';
        if ($section->repaired) {
            $remarks[] = Sentence::of('shape.gaps');
        }
        $once = UnionArea::mm2($section->outlines);
        if (null !== $once) {
            $remarks[] = Sentence::of('shape.overlap');
        }
        $longest = max($height, $this->maxX - $this->minX, $this->maxY - $this->minY);
        if ($longest < 2) {
            $remarks[] = Sentence::of('shape.tiny', length: Quantity::millimetres($longest));
        }

        return new PartShape(
            $format,
            $this->count,
            $this->maxX - $this->minX,
            $this->maxY - $this->minY,
            $height,
            abs($this->sixVolumes) / 6,
            new ContactPatch($section->outlines, $once),
            null,
            $remarks,
            $objects,
        );
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function checkNumbers(): void
    {
        // One coordinate that is not finite spoils the volume or the bounds.
        if (!is_finite($this->sixVolumes) || !is_finite($this->maxX - $this->minX + $this->maxY - $this->minY + $this->highestMm - $this->lowestMm)) {
            throw BadShape::notANumber('mesh');
        }
        foreach ([$this->maxX - $this->minX, $this->maxY - $this->minY, $this->highestMm - $this->lowestMm] as $length) {
            if ($length > self::LONGEST_MM) {
                throw BadShape::tooLarge($length);
            }
        }
    }

    /**
     * Drops what the section cannot meet any more, as lower facets have come since.
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function purge(): void
    {
        $still = '';
        $below = $this->lowestMm + self::SECTION_AT_MM;
        for ($at = 0, $end = \strlen($this->kept); $at < $end; $at += 36) {
            $f = unpack('g9', $this->kept, $at);
            if (false !== $f && min($f[3], $f[6], $f[9]) < $below) {
                $still .= substr($this->kept, $at, 36);
            }
        }
        $this->kept = $still;
        if (\strlen($still) > 36 * self::MOST_KEPT) {
            throw BadShape::tooFine();
        }
        $this->purgeAt = max(36 * 50_000, 2 * \strlen($still));
    }
}
