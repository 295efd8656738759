<?php

declare(strict_types=1);

namespace App\Bench;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Files of parts as nobody should write them, by a seed: sound ones with bytes, figures and lines spoilt, cut off, doubled and mixed. */
final class ShapeInputs
{
    private const FIGURES = ['1e308', '-1e308', '1e999', 'nan', '-nan', 'inf', '0', '-0', '1e-320', '99999999999999999999', '', '1,5', '0x1F', '+.', '1e', '٣'];
    private const LINES = [
        'G1 X1e308 Y0 E1', 'G2 X1 Y1 I1e30 J0 E1', 'G91', 'M83', 'G92 E0', 'G', 'M104 S1e999', 'G1 X9999 Y9999 E1', 'G28', ';', 'N1 G1 X1*99', "\0", 'G20',
        '<component objectid="1"/>', '<item objectid="1" transform="1 0 0 0 1 0 0 0 1 1e300 0 0"/>', '<object id="1">', '</model>', '<vertex x="1" y="2"/>',
        'facet normal 0 0 0', 'vertex 1 2', 'endsolid', 'solid', "\xff\xfe\xff", '<!DOCTYPE x>',
    ];

    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** @return array{bytes: string, model: bool} a model is that inside an archive */
    public function next(): array
    {
        $kind = $this->random->getInt(0, 3);
        $bytes = match ($kind) {
            0 => $this->binary(),
            1 => $this->text(),
            2 => $this->gcode(),
            default => $this->model(),
        };
        for ($i = $this->random->getInt(0, 6); $i > 0; --$i) {
            $bytes = $this->spoilt($bytes);
        }

        return ['bytes' => $bytes, 'model' => 3 === $kind];
    }

    private function spoilt(string $bytes): string
    {
        $length = \strlen($bytes);
        if (0 === $length) {
            return $bytes;
        }
        $at = $this->random->getInt(0, $length - 1);

        return match ($this->random->getInt(0, 6)) {
            0 => substr_replace($bytes, \chr($this->random->getInt(0, 255)), $at, 1),
            1 => substr($bytes, 0, $at),
            2 => substr($bytes, 0, $at).substr($bytes, min($length, $at + $this->random->getInt(1, 200))),
            3 => \strlen($bytes) > 1 << 18 ? $bytes : substr($bytes, 0, $at).str_repeat(
                substr($bytes, $at, $this->random->getInt(1, 400)),
                $this->random->getInt(2, 60),
            ).substr($bytes, $at),
            4 => substr_replace($bytes, "\n".self::LINES[$this->random->getInt(0, \count(self::LINES) - 1)]."\n", $at, 0),
            5 => (string) preg_replace_callback(
                '/-?\d+(\.\d+)?/',
                fn (array $found): string => 0 === $this->random->getInt(0, 40)
                    ? self::FIGURES[$this->random->getInt(0, \count(self::FIGURES) - 1)]
                    : $found[0],
                $bytes,
                400,
            ),
            default => substr_replace($bytes, pack('g', [\NAN, \INF, 1e38, -1e38, 1e-40, 0.0][$this->random->getInt(0, 5)]), $at, 4),
        };
    }

    /** @return list<list<float>> */
    private function facets(): array
    {
        $facets = [];
        for ($bodies = $this->random->getInt(1, 4); $bodies > 0; --$bodies) {
            $n = $this->random->getInt(3, 40);
            $radius = $this->random->getInt(1, 6000) / 100;
            $x = $this->random->getInt(-2000, 20000) / 100;
            $height = $this->random->getInt(1, 3000) / 100;
            for ($i = 0; $i < $n; ++$i) {
                [$a, $b] = [2 * \M_PI * $i / $n, 2 * \M_PI * ($i + 1) / $n];
                [$ax, $ay, $bx, $by] = [$x + $radius * cos($a), $radius * sin($a), $x + $radius * cos($b), $radius * sin($b)];
                array_push(
                    $facets,
                    [$ax, $ay, 0.0, $bx, $by, 0.0, $bx, $by, $height],
                    [$ax, $ay, 0.0, $bx, $by, $height, $ax, $ay, $height],
                    [$x, 0.0, 0.0, $bx, $by, 0.0, $ax, $ay, 0.0],
                    [$x, 0.0, $height, $ax, $ay, $height, $bx, $by, $height],
                );
            }
        }

        return $facets;
    }

    private function binary(): string
    {
        $facets = $this->facets();
        $bytes = str_repeat("\0", 80).pack('V', \count($facets));
        foreach ($facets as $facet) {
            $bytes .= pack('g12v', 0, 0, 0, ...[...$facet, 0]);
        }

        return $bytes;
    }

    private function text(): string
    {
        $text = "solid x\n";
        foreach ($this->facets() as $f) {
            $text .= vsprintf("facet normal 0 0 0\nouter loop\nvertex %F %F %F\nvertex %F %F %F\nvertex %F %F %F\nendloop\nendfacet\n", $f);
        }

        return $text."endsolid x\n";
    }

    private function model(): string
    {
        $vertices = $triangles = '';
        foreach ($this->facets() as $n => $f) {
            for ($i = 0; $i < 9; $i += 3) {
                $vertices .= \sprintf('<vertex x="%F" y="%F" z="%F"/>', $f[$i], $f[$i + 1], $f[$i + 2]);
            }
            $triangles .= \sprintf('<triangle v1="%d" v2="%d" v3="%d"/>', 3 * $n, 3 * $n + 1, 3 * $n + 2);
        }
        $more = '';
        // Now and then components that multiply.
        for ($i = 0 === $this->random->getInt(0, 9) ? $this->random->getInt(1, 6) : 0, $id = 2; $i > 0; --$i, ++$id) {
            $more .= \sprintf(
                '<object id="%d"><components>%s</components></object>',
                $id,
                str_repeat(\sprintf('<component objectid="%d"/>', $id - 1), $this->random->getInt(1, 12)),
            );
        }

        return \sprintf(
            '<?xml version="1.0"?><model unit="millimeter"><resources><object id="1"><mesh><vertices>%s</vertices><triangles>%s</triangles></mesh></object>%s'
                .'</resources><build><item objectid="%d"/><item objectid="1" transform="1 0 0 0 1 0 0 0 1 %d 0 0"/></build></model>',
            $vertices,
            $triangles,
            $more,
            '' === $more ? 1 : $this->random->getInt(1, 7),
            $this->random->getInt(-200, 200),
        );
    }

    private function gcode(): string
    {
        $code = "G21\nG90\nM83\nM104 S215\nM140 S60\n";
        for ($layer = 1, $layers = $this->random->getInt(1, 6); $layer <= $layers; ++$layer) {
            $code .= \sprintf("G1 Z%.2f F600\n", 0.2 * $layer);
            for ($line = $this->random->getInt(1, 60); $line > 0; --$line) {
                $code .= 0 === $this->random->getInt(0, 5)
                    ? \sprintf(
                        "G%d X%d Y%d I%d J%d E0.5\n",
                        $this->random->getInt(2, 3),
                        $this->random->getInt(0, 200),
                        $this->random->getInt(0, 200),
                        $this->random->getInt(-50, 50),
                        $this->random->getInt(-50, 50),
                    )
                    : \sprintf(
                        "G%d X%d Y%d E0.%d\n",
                        $this->random->getInt(0, 1),
                        $this->random->getInt(0, 200),
                        $this->random->getInt(0, 200),
                        $this->random->getInt(0, 9),
                    );
            }
        }

        return $code;
    }
}
