<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use Sitzplatz\Shape\FirstLayer;
use Sitzplatz\Shape\PartShape;

/**
 * Cuts rectangles into layers of walls and slanted filling, as files for printers are made: lines lie nearer than they are wide, since their
 * sides are round (width less height times 1 − π/4), and each pushes what its section holds.
 */
trait SlicesRectangles
{
    use BuildsMeshes;

    private const LINE_MM = 0.45;

    private string $code = '';
    private float $e = 0.0;
    private float $z = 0.0;
    private float $layerMm = 0.2;
    private float $pushed = 1.0;
    private float $filamentMm = 1.75;
    private bool $absoluteE = false;
    /** Written without blanks between words. */
    private bool $tight = false;

    private static function first(PartShape $part): FirstLayer
    {
        self::assertNotNull($part->firstLayer);

        return $part->firstLayer;
    }

    private function begin(): void
    {
        $this->code = "G21\nG90\n".($this->absoluteE ? 'M82' : 'M83')."\nM190 S60\nM109 S210\nG92 E0\n";
        $this->e = 0.0;
        $this->z = 0.0;
    }

    private function up(float $gapMm = 0.0): void
    {
        $this->z += $this->layerMm + $gapMm;
        $this->write(\sprintf('G1 Z%.3f F600', $this->z));
    }

    private function done(): PartShape
    {
        $part = self::read($this->code);
        $this->code = '';

        return $part;
    }

    private function spacing(): float
    {
        return self::LINE_MM - $this->layerMm * (1 - \M_PI / 4);
    }

    /**
     * @param array{float, float, float, float}      $rectangle from x, from y, to x, to y
     * @param array{float, float, float, float}|null $hole
     */
    private function slab(array $rectangle, int $walls = 2, bool $filled = true, ?array $hole = null): void
    {
        $off = self::LINE_MM / 2;
        for ($i = 0; $i < $walls; ++$i, $off += $this->spacing()) {
            $this->loop(self::grown($rectangle, -$off));
            if (null !== $hole) {
                $this->loop(self::grown($hole, $off));
            }
        }
        if ($filled) {
            // Filling runs a little into the innermost wall.
            $off -= $this->spacing() * 0.6;
            $this->fill(self::grown($rectangle, -$off), null === $hole ? null : self::grown($hole, $off));
        }
    }

    /** @param array{float, float, float, float} $rectangle */
    private function brim(array $rectangle, int $lines): void
    {
        for ($i = $lines; $i > 0; --$i) {
            $this->loop(self::grown($rectangle, ($i - 0.5) * $this->spacing()));
        }
    }

    /**
     * @param array{float, float, float, float} $rectangle
     *
     * @return array{float, float, float, float}
     */
    private static function grown(array $rectangle, float $by): array
    {
        return [$rectangle[0] - $by, $rectangle[1] - $by, $rectangle[2] + $by, $rectangle[3] + $by];
    }

    /** @param array{float, float, float, float} $rectangle */
    private function loop(array $rectangle, float $riseMm = 0.0): void
    {
        [$x1, $y1, $x2, $y2] = $rectangle;
        $this->write(\sprintf('G0 X%.3f Y%.3f F6000', $x1, $y1));
        $around = 2 * ($x2 - $x1 + $y2 - $y1);
        $z = $this->z;
        $at = [$x1, $y1];
        foreach ([[$x2, $y1], [$x2, $y2], [$x1, $y2], [$x1, $y1]] as $to) {
            // Piece by piece, so that a rising line rises along its way.
            for ($k = 1; $k <= 8; ++$k) {
                $next = [$at[0] + ($to[0] - $at[0]) * $k / 8, $at[1] + ($to[1] - $at[1]) * $k / 8];
                $length = hypot($to[0] - $at[0], $to[1] - $at[1]) / 8;
                $z += $riseMm * $length / $around;
                $this->line($next[0], $next[1], $length, $riseMm > 0 ? $z : null);
            }
            $at = $to;
        }
        $this->z = $z;
    }

    /**
     * Lines at 45°, cut off where the rectangle ends and its hole begins.
     *
     * @param array{float, float, float, float}      $rectangle
     * @param array{float, float, float, float}|null $hole
     */
    private function fill(array $rectangle, ?array $hole): void
    {
        $step = $this->spacing() * sqrt(2);
        for ($c = $rectangle[1] - $rectangle[2] + $step / 2; $c < $rectangle[3] - $rectangle[0]; $c += $step) {
            $pieces = [self::along($rectangle, $c)];
            $out = null === $hole ? null : self::along($hole, $c);
            if (null !== $out && null !== $pieces[0]) {
                $pieces = [[$pieces[0][0], $out[0]], [$out[1], $pieces[0][1]]];
            }
            foreach ($pieces as $piece) {
                if (null !== $piece && $piece[1] - $piece[0] > 0.3) {
                    $this->write(\sprintf('G0 X%.3f Y%.3f F6000', $piece[0], $piece[0] + $c));
                    $this->line($piece[1], $piece[1] + $c, ($piece[1] - $piece[0]) * sqrt(2));
                }
            }
        }
    }

    /**
     * From where to where the line y = x + c lies in a rectangle.
     *
     * @param array{float, float, float, float} $rectangle
     *
     * @return array{float, float}|null
     */
    private static function along(array $rectangle, float $c): ?array
    {
        $from = max($rectangle[0], $rectangle[1] - $c);
        $to = min($rectangle[2], $rectangle[3] - $c);

        return $from < $to ? [$from, $to] : null;
    }

    private function line(float $x, float $y, float $lengthMm, ?float $z = null): void
    {
        $push = $this->pushed * $lengthMm * $this->spacing() * $this->layerMm / (\M_PI / 4 * $this->filamentMm ** 2);
        $this->e = $this->absoluteE ? $this->e + $push : $push;
        $this->write(\sprintf('G1 X%.3f Y%.3f%s E%.5f F1800', $x, $y, null === $z ? '' : \sprintf(' Z%.4f', $z), $this->e));
    }

    private function write(string $line): void
    {
        $this->code .= ($this->tight ? str_replace(' ', '', $line) : $line)."\n";
    }
}
