<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ByteSource;
use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\FirstLayer;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\ShapeFormat;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * G-code in the common RepRap dialect (from memory): G0 to G3 move, G20/G21 set inches or mm, G90/G91 and M82/M83 absolute
 * or relative, G92 sets positions, M104/M109 heat the nozzle, M140/M190 the bed. Comments are not read: what is skirt,
 * brim or raft is told from where the first layers lie.
 */
final class GcodeFile
{
    /** So many layers from the plate upwards are looked at in full. */
    private const LAYERS = 6;
    private const CHUNK = 1 << 19;
    private const LONGEST_LINE = 4096;
    private const FILAMENT_MM = 1.75;
    private const TRAVEL = 0;
    /** A strip beside the part that a wider first line may cover and that is no brim yet, mm². */
    private const THINNEST_MM = 0.02;
    private const BRIM_FROM_MM2 = 15.0;
    /** mm, and mm a minute, beyond all printers. */
    private const FARTHEST = 1e5;
    /** mm of filament in one move; a spool holds less. */
    private const MOST_FILAMENT_MM = 1e6;
    /** °C. */
    private const HOTTEST = 2000.0;

    /** @var array<string, LayerTrace> by height */
    private array $layers = [];
    private bool $looking = true;
    private float $x = 0.0;
    private float $y = 0.0;
    private float $z = 0.0;
    private float $e = 0.0;
    private float $eMost = 0.0;
    private float $feedMmMin = 0.0;
    private float $unit = 1.0;
    private bool $relative = false;
    private bool $relativeE = false;
    /** Once M82 or M83 was said, G90 and G91 leave the filament alone: dialects differ, and a file means its own word. */
    private bool $saidE = false;
    private float $extruded = 0.0;
    private float $topMm = 0.0;
    private ?float $nozzleC = null;
    private ?float $bedC = null;
    private ?float $lastBedC = null;
    private ?float $firstNozzleC = null;
    private ?float $firstBedC = null;

    private function __construct(private readonly float $mm2OfFilament)
    {
    }

    /**
     * @param string $head what was read of the file so far
     *
     * @throws BadShape
     */
    public static function read(string $head, ByteSource $rest, float $filamentMm = self::FILAMENT_MM): PartShape
    {
        $file = new self(\M_PI / 4 * $filamentMm ** 2);
        $carry = $head;
        do {
            $chunk = $rest->read(self::CHUNK);
            $text = $carry.$chunk;
            $cut = '' === $chunk ? \strlen($text) : strrpos($text, "\n");
            if (false === $cut) {
                if (\strlen($text) > self::CHUNK + self::LONGEST_LINE) {
                    throw BadShape::unknownFormat();
                }
                $carry = $text;
                continue;
            }
            $carry = (string) substr($text, $cut + 1);
            foreach (explode("\n", strtoupper(substr($text, 0, $cut))) as $line) {
                $file->line($line);
            }
        } while ('' !== $chunk);

        return $file->shape();
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function line(string $line): void
    {
        $first = $line[0] ?? '';
        if ('G' !== $first && 'M' !== $first) {
            $line = ltrim(preg_replace('/^\s*N\d+\s*/', '', $line) ?? '');
            $first = $line[0] ?? '';
            if ('G' !== $first && 'M' !== $first) {
                return;
            }
        }
        $comment = strpos($line, ';');
        if (false !== $comment) {
            $line = substr($line, 0, $comment);
        }
        $number = (int) substr($line, 1, 4);
        if ('M' === $first) {
            $this->setting($number, $line);

            return;
        }
        if ($number <= 3) {
            if ($this->looking || $number > 1) {
                $this->move($number, $line);
            } else {
                $this->above($line);
            }

            return;
        }
        match ($number) {
            20 => $this->unit = 25.4,
            21 => $this->unit = 1.0,
            90, 91 => $this->modes(91 === $number),
            92 => $this->here($line),
            28 => $this->home($line),
            default => null,
        };
    }

    private function modes(bool $relative): void
    {
        $this->relative = $relative;
        if (!$this->saidE) {
            $this->relativeE = $relative;
        }
    }

    private function setting(int $number, string $line): void
    {
        switch ($number) {
            case 82:
            case 83:
                $this->relativeE = 83 === $number;
                $this->saidE = true;
                break;
            case 104:
            case 109:
                $this->nozzleC = self::word($line, 'S') ?? self::word($line, 'R') ?? $this->nozzleC;
                break;
            case 140:
            case 190:
                $this->bedC = self::word($line, 'S') ?? self::word($line, 'R') ?? $this->bedC;
                // What is set at the end, to switch it off, is no setting for a layer.
                $this->lastBedC = null !== $this->bedC && $this->bedC > 0 ? $this->bedC : $this->lastBedC;
        }
    }

    private function home(string $line): void
    {
        $all = 1 !== preg_match('/[XYZ]/', $line);
        foreach (['X' => 'x', 'Y' => 'y', 'Z' => 'z'] as $letter => $axis) {
            if ($all || str_contains($line, $letter)) {
                $this->$axis = 0.0;
            }
        }
    }

    private function here(string $line): void
    {
        $this->x = self::scaled($line, 'X', $this->unit) ?? $this->x;
        $this->y = self::scaled($line, 'Y', $this->unit) ?? $this->y;
        $this->z = self::scaled($line, 'Z', $this->unit) ?? $this->z;
        $e = self::scaled($line, 'E', $this->unit);
        if (null !== $e) {
            $this->eMost += $e - $this->e;
            $this->e = $e;
        }
    }

    /**
     * A move above the layers that are looked at: only its height and its plastic count.
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function above(string $line): void
    {
        if (false !== $at = strpos($line, 'Z')) {
            $z = (float) substr($line, $at + 1) * $this->unit;
            $this->z = $this->relative ? $this->z + $z : $z;
        }
        if (false !== $at = strpos($line, 'E')) {
            $e = (float) substr($line, $at + 1) * $this->unit;
            if ($this->push($this->relativeE ? $e : $e - $this->e) > 0 && $this->z > $this->topMm && (str_contains($line, 'X') || str_contains($line, 'Y'))) {
                $this->topMm = $this->z;
            }
        }
    }

    /**
     * Moves the filament; what counts is only what goes beyond the farthest yet, so that a retraction and its return are nothing.
     *
     * @throws BadShape if no spool holds so much
     */
    private function push(float $byMm): float
    {
        if (!is_finite($byMm) || abs($byMm) > self::MOST_FILAMENT_MM) {
            throw BadShape::notANumber('move');
        }
        $this->e += $byMm;
        $new = $this->e - $this->eMost;
        if ($new <= 0) {
            return 0.0;
        }
        $this->eMost = $this->e;
        $this->extruded += $new;

        return $new;
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function move(int $number, string $line): void
    {
        $x = self::scaled($line, 'X', $this->unit);
        $y = self::scaled($line, 'Y', $this->unit);
        $z = self::scaled($line, 'Z', $this->unit);
        $e = self::scaled($line, 'E', $this->unit);
        $this->feedMmMin = self::scaled($line, 'F', $this->unit) ?? $this->feedMmMin;
        $toX = null === $x ? $this->x : ($this->relative ? $this->x + $x : $x);
        $toY = null === $y ? $this->y : ($this->relative ? $this->y + $y : $y);
        $this->z = null === $z ? $this->z : ($this->relative ? $this->z + $z : $z);
        $pushed = null === $e ? 0.0 : $this->push($this->relativeE ? $e : $e - $this->e);
        if ($pushed > self::TRAVEL && (null !== $x || null !== $y)) {
            self::within($toX, $toY, $this->z, $this->feedMmMin);
            $this->topMm = max($this->topMm, $this->z);
            $this->layDown($number, $line, $toX, $toY, $pushed * $this->mm2OfFilament);
        } elseif (null !== $x || null !== $y) {
            // The next line begins where this move ends.
            self::within($toX, $toY, $this->z);
            foreach ($this->layers as $layer) {
                $layer->endPath();
            }
        }
        $this->x = $toX;
        $this->y = $toY;
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function layDown(int $number, string $line, float $toX, float $toY, float $plasticMm3): void
    {
        $key = 'z'.number_format($this->z, 3, '.', '');
        if (!isset($this->layers[$key])) {
            if (\count($this->layers) >= self::LAYERS) {
                $this->looking = $this->z < max(array_map(static fn (LayerTrace $l): float => $l->zMm, $this->layers));
                if (!$this->looking) {
                    return;
                }
            }
            $this->layers[$key] = new LayerTrace($this->z);
        }
        $layer = $this->layers[$key];
        $this->firstNozzleC ??= $this->nozzleC;
        $this->firstBedC ??= $this->bedC;
        if ($number < 2) {
            $layer->line($this->x, $this->y, $toX, $toY, $plasticMm3, $this->feedMmMin / 60);

            return;
        }
        // An arc: I and J lead to its centre; drawn in chords.
        $cx = $this->x + (self::scaled($line, 'I', $this->unit) ?? 0.0);
        $cy = $this->y + (self::scaled($line, 'J', $this->unit) ?? 0.0);
        self::within($cx, $cy);
        $radius = hypot($this->x - $cx, $this->y - $cy);
        $from = atan2($this->y - $cy, $this->x - $cx);
        $turn = atan2($toY - $cy, $toX - $cx) - $from;
        if (3 === $number && $turn <= 1e-9) {
            $turn += 2 * \M_PI;
        } elseif (2 === $number && $turn >= -1e-9) {
            $turn -= 2 * \M_PI;
        }
        $chords = min(200, max(2, (int) ceil(abs($turn) * $radius / 0.5)));
        [$atX, $atY] = [$this->x, $this->y];
        for ($i = 1; $i <= $chords; ++$i) {
            $angle = $from + $turn * $i / $chords;
            [$x, $y] = $i === $chords ? [$toX, $toY] : [$cx + $radius * cos($angle), $cy + $radius * sin($angle)];
            $layer->line($atX, $atY, $x, $y, $plasticMm3 / $chords, $this->feedMmMin / 60);
            [$atX, $atY] = [$x, $y];
        }
    }

    /** @throws BadShape if a figure is beyond all printers */
    private static function within(float ...$figures): void
    {
        foreach ($figures as $figure) {
            if (!is_finite($figure) || abs($figure) > self::FARTHEST) {
                throw BadShape::notANumber('move');
            }
        }
    }

    private static function word(string $line, string $letter): ?float
    {
        $at = strpos($line, $letter, 1);
        $value = false === $at || 1 !== preg_match('/\G\s*-?[\d.]/', $line, $_, 0, $at + 1) ? null : (float) substr($line, $at + 1);

        // What no hot end and no bed can be is no setting.
        return null === $value || abs($value) > self::HOTTEST ? null : $value;
    }

    private static function scaled(string $line, string $letter, float $unit): ?float
    {
        $at = \strlen($line) > 2 ? strpos($line, $letter, 2) : false;

        return false === $at ? null : (float) substr($line, $at + 1) * $unit;
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function shape(): PartShape
    {
        $layers = array_values($this->layers);
        usort($layers, static fn (LayerTrace $a, LayerTrace $b): int => $a->zMm <=> $b->zMm);
        if ([] === $layers || $layers[0]->plasticMm3 <= 0) {
            throw BadShape::noExtrusion();
        }
        [$minX, $minY, $maxX, $maxY] = self::extent($layers);
        $cells = [];
        foreach ($layers as $i => $layer) {
            $cells[$i] = new Cells($minX, $minY, $maxX, $maxY);
            $cells[$i]->cover($layer);
        }
        // A line wiped or primed at a height of its own lies under or over nothing else.
        $body = array_keys(array_filter($cells, static function (Cells $own) use ($cells): bool {
            foreach ($cells as $other) {
                if ($other !== $own && $own->meets($other)) {
                    return true;
                }
            }

            return false;
        }));
        if ([] === $body) {
            // One layer only: the one with the most plastic.
            $body = [0];
            foreach ($layers as $i => $layer) {
                $body = $layer->plasticMm3 > $layers[$body[0]]->plasticMm3 ? [$i] : $body;
            }
        }

        return $this->shapeFrom(array_map(static fn (int $i): LayerTrace => $layers[$i], $body), array_map(static fn (int $i): Cells => $cells[$i], $body));
    }

    /**
     * @param list<LayerTrace> $layers
     * @param list<Cells>      $cells
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function shapeFrom(array $layers, array $cells): PartShape
    {
        $first = $layers[0];
        // Nobody lays down less; a height of nought is a file that never says it.
        $height = $first->zMm > self::THINNEST_MM ? $first->zMm : 0.2;
        $apart = isset($cells[1]) ? $cells[0]->apartFrom($cells[1]) : $cells[0]->without($cells[0]);
        $width = $first->lineWidthMm($height);
        $standing = $cells[0]->without($apart);
        $beside = isset($cells[1]) ? $standing->without($cells[1]->grown())->areaMm2() : 0.0;
        $raft = self::raft($standing, $cells);
        $brim = !$raft && $beside > self::BRIM_FROM_MM2;
        // What a raft touches is not what the part touches.
        $shown = $raft ? $layers[\count($layers) - 1] : ($brim ? $layers[1] : $first);
        $outlines = $shown->outermost($width, static fn (float $x, float $y): bool => !$apart->covers($apart->at($x, $y)));
        $area = $raft && [] !== $outlines ? self::enclosedMm2($outlines) : $first->plasticMm3 / $height * (1 - self::share($first, $apart));
        $brimArea = 0.0;
        if ($brim) {
            $around = $first->outermost($width, static fn (float $x, float $y): bool => !$apart->covers($apart->at($x, $y)));
            // Between what the first layer and what the part enclose; holes are the same in both.
            $brimArea = self::enclosedMm2($around) - self::enclosedMm2($outlines);
            if ([] === $outlines || [] === $around || $brimArea <= 0.0) {
                // By the squares: those next to the part went to it, and half a millimetre along its outline belongs to the brim.
                $brimArea = $beside + Cells::SIZE_MM * array_sum(array_map(static fn (Outline $o): float => $o->lengthMm(), $outlines));
            }
        }
        $remarks = [];
        [$minX, $minY, $maxX, $maxY] = self::extent($layers);
        if (max($maxX - $minX, $maxY - $minY) > Cells::WIDEST_MM) {
            $remarks[] = Sentence::of('shape.beyond', reach: Quantity::millimetres(Cells::WIDEST_MM, 1));
        }
        if (1 === \count($layers)) {
            $remarks[] = Sentence::of('shape.one_layer');
        }
        if ([] === $outlines) {
            $remarks[] = Sentence::of('shape.no_closed_line');
        }
        if ($width < 0.15 || $width > 2.0) {
            $remarks[] = Sentence::of('shape.line_width', width: Quantity::millimetres($width), filament: Quantity::millimetres(1.75));
        }
        [$minX, $minY, $maxX, $maxY] = self::extent([$shown], $apart);

        return new PartShape(
            ShapeFormat::Gcode,
            null,
            $maxX - $minX + $width,
            $maxY - $minY + $width,
            $this->topMm,
            $this->extruded * $this->mm2OfFilament,
            new ContactPatch($outlines, max(0.0, $area - $brimArea)),
            new FirstLayer(
                $height,
                $width,
                $first->seconds > 0 ? $first->lengthMm / $first->seconds : 0.0,
                $this->firstNozzleC,
                $this->firstBedC,
                $this->lastBedC,
                $apart->areaMm2() > 0,
                $brim,
                $brimArea,
                $raft,
            ),
            $remarks,
        );
    }

    /** @param list<Outline> $outlines */
    private static function enclosedMm2(array $outlines): float
    {
        return UnionArea::mm2($outlines) ?? array_sum(array_map(static fn (Outline $outline): float => $outline->signedAreaMm2(), $outlines));
    }

    /**
     * A raft is as wide in its second layer as in its first, and the part above is narrower all round.
     *
     * @param list<Cells> $cells
     */
    private static function raft(Cells $standing, array $cells): bool
    {
        $last = \count($cells) - 1;
        if ($last < 2) {
            return false;
        }
        $part = $cells[$last]->grown();

        return $standing->without($part)->areaMm2() > self::BRIM_FROM_MM2 && $cells[1]->without($part)->areaMm2() > self::BRIM_FROM_MM2;
    }

    /** Which part of the lines lies in these squares. */
    private static function share(LayerTrace $layer, Cells $cells): float
    {
        $inside = $all = 0.0;
        foreach ($layer->paths() as $xy) {
            for ($i = 3, $n = \count($xy); $i < $n; $i += 2) {
                $length = hypot($xy[$i] - $xy[$i - 2], $xy[$i + 1] - $xy[$i - 1]);
                $all += $length;
                if ($cells->covers($cells->at(($xy[$i] + $xy[$i - 2]) / 2, ($xy[$i + 1] + $xy[$i - 1]) / 2))) {
                    $inside += $length;
                }
            }
        }

        return $all > 0 ? $inside / $all : 0.0;
    }

    /**
     * @param list<LayerTrace> $layers
     *
     * @return array{float, float, float, float}
     */
    private static function extent(array $layers, ?Cells $without = null): array
    {
        $minX = $minY = \INF;
        $maxX = $maxY = -\INF;
        foreach ($layers as $layer) {
            foreach ($layer->paths() as $xy) {
                for ($i = 1, $n = \count($xy); $i < $n; $i += 2) {
                    if (null !== $without && $without->covers($without->at($xy[$i], $xy[$i + 1]))) {
                        continue;
                    }
                    $minX = min($minX, $xy[$i]);
                    $maxX = max($maxX, $xy[$i]);
                    $minY = min($minY, $xy[$i + 1]);
                    $maxY = max($maxY, $xy[$i + 1]);
                }
            }
        }

        return is_finite($minX) ? [$minX, $minY, $maxX, $maxY] : [0.0, 0.0, 0.0, 0.0];
    }
}
