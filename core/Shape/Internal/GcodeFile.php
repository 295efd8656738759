<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ByteSource;
use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\FirstLayer;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\ShapeFormat;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * G-code in the common RepRap dialect (from memory): G0 to G3 move, G20/G21 set inches or mm, G90/G91 and M82/M83 absolute
 * or relative, G92 sets positions, T picks a tool, M104/M109 heat the nozzle, M140/M190 the bed, M200 has filament by volume, M221 is how much of it
 * is pushed. Of comments only the thickness of the filament is read: what is skirt, brim or raft is told from where the lowest layers lie.
 */
final class GcodeFile
{
    /** So many heights from the plate upwards are looked at in full. */
    private const LAYERS = 8;
    /** Bytes of lines kept of the lowest two heights each, and of those above. */
    private const MOST_BYTES = [8_000_000, 3_000_000];
    private const CHUNK = 1 << 19;
    private const LONGEST_LINE = 4096;
    private const FILAMENT_MM = 1.75;
    /** Thinnest and thickest filament that is made, mm. */
    private const FILAMENTS_MM = [1.0, 3.5];
    /** Lines that a nozzle lays, mm. */
    private const LINE_MM = [0.15, 2.0];
    private const TRAVEL = 0;
    private const MOST_TOOLS = 64;
    private const NUMBER = '+-.0123456789 ';
    /** mm, and mm a minute, beyond all printers. */
    private const FARTHEST = 1e5;
    /** mm of filament in one move; a spool holds less. */
    private const MOST_FILAMENT_MM = 1e6;
    /** °C. */
    private const HOTTEST = 2000.0;

    /** @var array<string, LayerTrace> by height */
    private array $layers = [];
    private bool $looking = true;
    /** The highest of the heights looked at, mm. */
    private float $lookedToMm = 0.0;
    /** @var list<string> the lines at hand */
    private array $lines = [];
    private int $at = 0;
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
    private int $tool = 0;
    /** @var array<int, array{float, float}> where the filament of the other tools stands: now, and at the most */
    private array $otherTools = [];
    /** Since the tool was changed nothing said yet whether tools count their filament each or together. */
    private bool $eUnsure = false;
    private float $flow = 1.0;
    private bool $volumetric = false;
    /** @var array<int, float> mm, by tool, as a comment says */
    private array $filaments = [];
    /** @var array<int, float> mm of filament by tool */
    private array $extruded = [];
    private float $topMm = 0.0;
    private ?float $nozzleC = null;
    private ?float $bedC = null;
    private ?float $lastBedC = null;
    private ?float $firstNozzleC = null;
    private ?float $firstBedC = null;

    private function __construct()
    {
    }

    /**
     * @param string $head what was read of the file so far
     *
     * @throws BadShape
     */
    public static function read(string $head, ByteSource $rest): PartShape
    {
        $file = new self();
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
            $file->lines = explode("\n", strtoupper(substr($text, 0, $cut)));
            foreach ($file->lines as $file->at => $line) {
                $file->line($line);
            }
            if (!$file->looking) {
                $file->standWhereTheHeadIs(\count($file->lines));
            }
        } while ('' !== $chunk);

        return $file->shape();
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function line(string $line): void
    {
        $first = $line[0] ?? '';
        if ('G' !== $first && 'M' !== $first) {
            if (';' === $first) {
                $this->comment($line);

                return;
            }
            $line = ltrim(preg_replace('/^\s*N\d+\s*/', '', $line) ?? '');
            $first = $line[0] ?? '';
            if ('T' === $first) {
                $this->pick($line);
            }
            if ('G' !== $first && 'M' !== $first) {
                return;
            }
        }
        if (false !== $comment = strpos($line, ';')) {
            $line = substr($line, 0, $comment);
        }
        if (str_contains($line, '(')) {
            $line = preg_replace('/\([^)]*\)/', '', $line) ?? $line;
        }
        $number = (int) substr($line, 1, 4);
        if ('M' === $first) {
            $this->setting($number, $line);

            return;
        }
        if ($number <= 3) {
            if (!$this->looking && (false !== $z = self::heightOf($line)) && !$this->relative && $z * $this->unit <= $this->lookedToMm) {
                // Down again: the next part of those that are printed one after the other.
                $this->standWhereTheHeadIs($this->at);
                $this->looking = true;
            }
            if ($this->looking || ($number > 1 && str_contains($line, 'E'))) {
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

    private static function heightOf(string $line): float|false
    {
        $at = strpos($line, 'Z', 2);

        return false === $at ? false : self::number($line, $at);
    }

    /** Above the layers looked at nobody follows the head to and fro; where it was last stands in the lines before. */
    private function standWhereTheHeadIs(int $before): void
    {
        if ($this->relative) {
            return;
        }
        $wanted = ['X' => true, 'Y' => true];
        for ($i = $before - 1; $i >= 0 && [] !== $wanted; --$i) {
            $line = $this->lines[$i];
            if (1 !== preg_match('/^\s*(?:N\d+\s*)?(?:G0*[0-3]|G92)(?!\d)/', $line)) {
                continue;
            }
            $line = explode(';', $line, 2)[0];
            foreach (array_keys($wanted) as $axis) {
                if (false !== $at = strpos($line, $axis, 1)) {
                    $this->{strtolower($axis)} = self::number($line, $at) * $this->unit;
                    unset($wanted[$axis]);
                }
            }
        }
    }

    /** What a comment says of the filament: "filament diameter = 2.85", also for several tools. */
    private function comment(string $line): void
    {
        if (str_contains($line, 'FILAMENT') && str_contains($line, 'DIAMETER') && 1 === preg_match('/DIAMETER[^0-9]{0,16}([0-9.,; ]+)/', $line, $match)) {
            $said = [];
            foreach (preg_split('/[,; ]+/', $match[1], -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $tool => $mm) {
                if ((float) $mm >= self::FILAMENTS_MM[0] && (float) $mm <= self::FILAMENTS_MM[1]) {
                    $said[$tool] = (float) $mm;
                }
            }
            $this->filaments = [] === $said ? $this->filaments : $said;
        }
    }

    private function pick(string $line): void
    {
        $tool = 1 === preg_match('/^T(\d{1,3})/', $line, $match) ? (int) $match[1] : $this->tool;
        if ($tool === $this->tool || $tool >= self::MOST_TOOLS) {
            return;
        }
        $this->otherTools[$this->tool] = [$this->e, $this->eMost];
        $this->tool = $tool;
        $this->eUnsure = !$this->relativeE;
        foreach ($this->layers as $layer) {
            $layer->endPath();
        }
    }

    /**
     * Some files count the filament of each tool by itself, others that of all together: the first figure after a change of tool is near
     * to where the one or the other stands.
     */
    private function settle(float $e): void
    {
        $this->eUnsure = false;
        $own = $this->otherTools[$this->tool] ?? [0.0, 0.0];
        if (abs($e - $own[0]) < abs($e - $this->e)) {
            [$this->e, $this->eMost] = $own;
        }
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
            case 200:
                // D: of this thickness, counted by volume from now on; D0: by length again.
                $thick = self::word($line, 'D');
                $this->volumetric = null !== $thick && $thick > 0;
                break;
            case 221:
                $percent = self::word($line, 'S');
                $this->flow = null !== $percent && $percent > 0 ? $percent / 100 : $this->flow;
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
            $this->eUnsure = false;
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
            $z = self::number($line, $at) * $this->unit;
            $this->z = $this->relative ? $this->z + $z : $z;
        }
        if (false !== $at = strpos($line, 'E')) {
            $e = self::number($line, $at) * $this->unit;
            if ($this->push($this->relativeE ? $e : $this->by($e)) > 0 && $this->z > $this->topMm && (str_contains($line, 'X') || str_contains($line, 'Y'))) {
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
        // How much of it is pushed is the printer's word; where it goes is the file's, which is laid out for what it says.
        $this->extruded[$this->tool] = ($this->extruded[$this->tool] ?? 0.0) + $new * $this->flow;

        return $new;
    }

    /** From where the filament stands to an absolute figure. */
    private function by(float $e): float
    {
        if ($this->eUnsure) {
            $this->settle($e);
        }

        return $e - $this->e;
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
        $wasZ = $this->z;
        $this->z = null === $z ? $this->z : ($this->relative ? $this->z + $z : $z);
        $pushed = null === $e ? 0.0 : $this->push($this->relativeE ? $e : $this->by($e));
        if ($pushed > self::TRAVEL && (null !== $x || null !== $y)) {
            self::within($toX, $toY, $this->z, $this->feedMmMin);
            $this->topMm = max($this->topMm, $this->z);
            $this->layDown($number, $line, $toX, $toY, $pushed, $this->z > $wasZ);
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

    /**
     * @param bool $rising while it goes along: one wall that winds upwards, of which a turn or two are a layer
     *
     * @throws BadShape if the file cannot be read as a part
     */
    private function layDown(int $number, string $line, float $toX, float $toY, float $filamentMm, bool $rising): void
    {
        $z = $this->z;
        if ($rising && [] !== $this->layers) {
            $base = min(array_map(static fn (LayerTrace $l): float => $l->zMm, $this->layers));
            $z = $base > 0 ? $base + 2 * $base * ceil(($z - $base) / (2 * $base) - 1e-6) : $z;
        }
        $key = 'z'.number_format($z, 3, '.', '');
        if (!isset($this->layers[$key])) {
            if (\count($this->layers) >= self::LAYERS) {
                $this->looking = $z < $this->lookedToMm && \count($this->layers) < 2 * self::LAYERS;
                if (!$this->looking) {
                    return;
                }
            }
            $this->layers[$key] = new LayerTrace($z, self::MOST_BYTES[\count($this->layers) < 2 ? 0 : 1]);
            $this->lookedToMm = max($this->lookedToMm, $z);
        }
        $layer = $this->layers[$key];
        $this->firstNozzleC ??= $this->nozzleC;
        $this->firstBedC ??= $this->bedC;
        if ($number < 2) {
            $layer->line($this->x, $this->y, $toX, $toY, $filamentMm, $this->feedMmMin / 60, $this->tool);

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
            $layer->line($atX, $atY, $x, $y, $filamentMm / $chords, $this->feedMmMin / 60, $this->tool);
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
        $value = false === $at || 1 !== preg_match('/\G\s*-?[\d.]/', $line, $_, 0, $at + 1) ? null : self::number($line, $at);

        // What no hot end and no bed can be is no setting.
        return null === $value || abs($value) > self::HOTTEST ? null : $value;
    }

    private static function scaled(string $line, string $letter, float $unit): ?float
    {
        $at = \strlen($line) > 2 ? strpos($line, $letter, 2) : false;

        return false === $at ? null : self::number($line, $at) * $unit;
    }

    /** The figure after a letter; an E ends it, as it is a word of its own. */
    private static function number(string $line, int $at): float
    {
        return (float) substr($line, $at + 1, strspn($line, self::NUMBER, $at + 1));
    }

    /** @throws BadShape if the file cannot be read as a part */
    private function shape(): PartShape
    {
        $layers = array_values($this->layers);
        usort($layers, static fn (LayerTrace $a, LayerTrace $b): int => $a->zMm <=> $b->zMm);
        if ([] === $layers || $layers[0]->plasticMm3($this->sectionMm2(...)) <= 0) {
            throw BadShape::noExtrusion();
        }
        $bottom = new BottomLayers($layers, $this->sectionMm2(...));
        $remarks = $bottom->remarks;
        $width = $bottom->lineWidthMm;
        if ($width < self::LINE_MM[0] || $width > self::LINE_MM[1]) {
            $remarks[] = Sentence::of('shape.line_width', width: Quantity::millimetres($width), filament: Quantity::millimetres($this->filamentMm(0)));
        }
        [$minX, $minY, $maxX, $maxY] = $bottom->extentMm;
        $volume = 0.0;
        foreach ($this->extruded as $tool => $mm) {
            $volume += $mm * $this->sectionMm2($tool);
        }

        return new PartShape(
            ShapeFormat::Gcode,
            null,
            $maxX - $minX + $width,
            $maxY - $minY + $width,
            $this->topMm,
            $volume,
            new ContactPatch($bottom->outlines, $bottom->areaMm2),
            new FirstLayer(
                $bottom->heightMm,
                $width,
                $bottom->speedMmS,
                $this->firstNozzleC,
                $this->firstBedC,
                $this->lastBedC,
                $bottom->skirt,
                $bottom->brim,
                $bottom->brimAreaMm2,
                $bottom->raft,
                $bottom->tools,
            ),
            $remarks,
        );
    }

    private function filamentMm(int $tool): float
    {
        return $this->filaments[$tool] ?? $this->filaments[0] ?? self::FILAMENT_MM;
    }

    private function sectionMm2(int $tool): float
    {
        return $this->volumetric ? 1.0 : \M_PI / 4 * $this->filamentMm($tool) ** 2;
    }
}
