<?php

declare(strict_types=1);

namespace App\Bench;

/** Writes part files of the sizes that the design promises to read. */
final class BigParts
{
    private const PITCH_MM = 0.3;
    private const LINE_MM = 0.45;

    /** A slab with a rolling top and a bottom that is cut as fine, n × n squares each: 4·n² + 8·n facets of binary STL. */
    public static function slab(string $path, int $n): void
    {
        $file = self::open($path);
        fwrite($file, str_pad('a slab', 80).pack('V', 4 * $n * $n + 8 * $n));
        $top = static fn (int $i, int $j): float => 6 + sin($i / 20) * cos($j / 25);
        for ($i = 0; $i < $n; ++$i) {
            $row = '';
            [$x, $u] = [$i * self::PITCH_MM, ($i + 1) * self::PITCH_MM];
            for ($j = 0; $j < $n; ++$j) {
                [$y, $v] = [$j * self::PITCH_MM, ($j + 1) * self::PITCH_MM];
                $row .= self::square([$x, $y, $top($i, $j)], [$u, $y, $top($i + 1, $j)], [$u, $v, $top($i + 1, $j + 1)], [$x, $v, $top($i, $j + 1)]);
                $row .= self::square([$x, $y, 0.0], [$x, $v, 0.0], [$u, $v, 0.0], [$u, $y, 0.0]);
            }
            $far = $n * self::PITCH_MM;
            $row .= self::square([$x, 0.0, 0.0], [$u, 0.0, 0.0], [$u, 0.0, $top($i + 1, 0)], [$x, 0.0, $top($i, 0)]);
            $row .= self::square([$x, $far, 0.0], [$x, $far, $top($i, $n)], [$u, $far, $top($i + 1, $n)], [$u, $far, 0.0]);
            $row .= self::square([0.0, $x, 0.0], [0.0, $x, $top(0, $i)], [0.0, $u, $top(0, $i + 1)], [0.0, $u, 0.0]);
            $row .= self::square([$far, $x, 0.0], [$far, $u, 0.0], [$far, $u, $top($n, $i + 1)], [$far, $x, $top($n, $i)]);
            fwrite($file, $row);
        }
        fclose($file);
    }

    /** A plate of blocks with loops and infill, layer on layer until the file has this size. */
    public static function gcode(string $path, int $bytes): void
    {
        $file = self::open($path);
        $written = fwrite($file, "M82\nG90\nM104 S215\nM140 S60\nM190 S60\nM109 S215\nG92 E0\n");
        $e = 0.0;
        for ($layer = 1; $written < $bytes; ++$layer) {
            $written += fwrite($file, self::layer($layer * 0.2, $e));
        }
        fclose($file);
    }

    private static function layer(float $z, float &$e): string
    {
        $perMm = self::LINE_MM * 0.2 / (\M_PI * 1.75 ** 2 / 4);
        $lines = \sprintf("G0 Z%.2f F9000\n", $z);
        for ($block = 0; $block < 9; ++$block) {
            $x = 20 + 50 * ($block % 3);
            $y = 20 + 50 * intdiv($block, 3);
            foreach ([0.0, self::LINE_MM] as $inset) {
                $lines .= \sprintf("G0 X%.3f Y%.3f\n", $x + $inset, $y + $inset);
                foreach ([[40 - $inset, $inset], [40 - $inset, 40 - $inset], [$inset, 40 - $inset], [$inset, $inset]] as [$toX, $toY]) {
                    $e += (40 - 2 * $inset) * $perMm;
                    $lines .= \sprintf("G1 X%.3f Y%.3f E%.5f F1500\n", $x + $toX, $y + $toY, $e);
                }
            }
            for ($at = 2 * self::LINE_MM, $there = true; $at < 40 - 2 * self::LINE_MM; $at += self::LINE_MM, $there = !$there) {
                $e += 39 * $perMm;
                $lines .= \sprintf(
                    "G0 X%.3f Y%.3f\nG1 X%.3f Y%.3f E%.5f F2400\n",
                    $x + ($there ? 0.5 : 39.5),
                    $y + $at,
                    $x + ($there ? 39.5 : 0.5),
                    $y + $at,
                    $e,
                );
            }
        }

        return $lines;
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @param array{float, float, float} $c
     * @param array{float, float, float} $d
     */
    private static function square(array $a, array $b, array $c, array $d): string
    {
        return self::facet($a, $b, $c).self::facet($a, $c, $d);
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @param array{float, float, float} $c
     */
    private static function facet(array $a, array $b, array $c): string
    {
        return pack('g12v', 0.0, 0.0, 0.0, ...$a, ...$b, ...$c, ...[0]);
    }

    /** @return resource */
    private static function open(string $path)
    {
        return fopen($path, 'w') ?: throw new \RuntimeException("$path cannot be written.");
    }
}
