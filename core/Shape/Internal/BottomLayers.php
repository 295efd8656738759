<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What of the lowest layers of a G-code file is part, brim, raft or skirt, told by what each is: what touches the plate is the first
 * layer; a raft has a gap in height above it and is wider all round than what stands on it; a brim is lines round the part, side by side with
 * its outline, in the first layer alone; a skirt is a thin line off the part.
 */
final class BottomLayers
{
    /** A strip beside the part that a wider first line may cover and that is no brim yet, mm². */
    private const BRIM_FROM_MM2 = 15.0;
    /** Share of the lines beside the part that go along its outline: from here on a brim, and below the second figure none (ours). */
    private const ALONG = 0.7;
    private const HARDLY_ALONG = 0.55;
    /** So long a piece of line is looked at, mm; it goes along while its end is by less farther off the part, in its own length. */
    private const PIECE_MM = 3.0;
    private const ASLANT = 0.35;
    /** So much of the way round the part has a brim beside it. */
    private const ROUND = 0.8;
    /** Squares around the part; 30 mm of them. */
    private const RINGS = 60;
    /** A slope goes on: the next layer steps back by this share of it too. */
    private const SLOPE = 0.4;
    /** Plastic over height of the layer above a gap, against that of the next. */
    private const GAP = 0.75;
    /** A first layer of lines apart covers less than this of what it encloses. */
    private const OPEN = 0.75;
    /** A thin line is gone when so many squares are taken off all round (3 mm wide). */
    private const THIN = 3;
    /** Share of a piece that lies under the next layer for it to belong to the part. */
    private const UNDER = 0.05;
    /** Plastic against what is enclosed: within these a plate is covered, by a little too much or too little plastic. */
    private const COVERED = [0.7, 1.4];
    /** Nobody lays down less; a height of nought is a file that never says it. */
    private const THINNEST_MM = 0.02;
    private const USUAL_MM = 0.2;

    public readonly float $heightMm;
    public readonly float $lineWidthMm;
    public readonly float $speedMmS;
    /** Of what the part touches, or stands on if that is a raft. */
    public readonly float $areaMm2;
    /** @var list<Outline> */
    public readonly array $outlines;
    public readonly bool $skirt;
    public readonly bool $raft;
    public readonly bool $brim;
    public readonly float $brimAreaMm2;
    /** @var array<int, float> share of the first layer's lines on the plate by tool, skirt left out */
    public readonly array $tools;
    /** @var array{float, float, float, float} x and y from, x and y to, of the lines */
    public readonly array $extentMm;
    /** @var list<Sentence> */
    public readonly array $remarks;

    /** @var list<LayerTrace> */
    private array $layers;
    /** @var array<int, Cells> */
    private array $cells = [];
    /** @var array<int, Cells> what each layer encloses, loops off the part left out */
    private array $filled = [];
    private Cells $grid;

    /**
     * @param non-empty-list<LayerTrace> $layers     from below
     * @param \Closure(int): float       $sectionMm2 of the filament of a tool
     *
     * @throws BadShape if it holds more line, or finer, than anybody waits for
     */
    public function __construct(array $layers, private readonly \Closure $sectionMm2)
    {
        $reach = self::extent($layers);
        $this->grid = new Cells(...$reach);
        $this->layers = $layers;
        $this->leaveOutPrimed();
        $first = $this->layers[0];
        $this->heightMm = $first->zMm > self::THINNEST_MM ? $first->zMm : self::USUAL_MM;
        $plastic = $first->plasticMm3($sectionMm2);
        $this->lineWidthMm = $first->lengthMm > 0 ? $plastic / $first->lengthMm / $this->heightMm : 0.0;
        $this->speedMmS = $first->seconds > 0 ? $first->lengthMm / $first->seconds : 0.0;
        $apart = $this->apart();
        $standing = $this->cells[0]->without($apart);
        $on = $this->raftUnder($standing, $plastic);
        $this->raft = null !== $on;
        $beside = $this->beside($standing);
        $along = null !== $on || null === $beside ? 0.0 : $this->along($beside);
        $this->brim = $along >= self::ALONG;
        // What a raft touches is not what the part touches.
        $shown = null !== $on ? $this->layers[$on] : ($this->brim ? $this->layers[1] : $first);
        $off = static fn (float $x, float $y): bool => !$apart->covers($apart->at($x, $y));
        [$this->outlines, $enclosed, $walls] = $this->outlines($shown, $off, null === $on ? $this->lineWidthMm : $this->widthBySteps($on + 1));
        $this->brimAreaMm2 = $this->brim ? $this->brimMm2($walls, $enclosed, $beside) : 0.0;
        $laid = null === $on
            ? $plastic / $this->heightMm * array_sum(self::lengths($first, $standing)) / max(1e-9, $first->lengthMm) - $this->brimAreaMm2
            : $this->widthBySteps($on + 1) * $shown->lengthMm;
        $this->areaMm2 = self::area($enclosed, $laid);
        $this->skirt = $apart->squares() > 0;
        $this->tools = self::toolsOf($first, $standing);
        $this->extentMm = self::extent([$shown], $apart);
        $this->remarks = array_values(array_filter([
            max($reach[2] - $reach[0], $reach[3] - $reach[1]) > Cells::WIDEST_MM
                ? Sentence::of('shape.beyond', reach: Quantity::millimetres(Cells::WIDEST_MM, 1)) : null,
            1 === \count($this->layers) ? Sentence::of('shape.one_layer') : null,
            [] === $this->outlines ? Sentence::of('shape.no_closed_line') : null,
            !$this->brim && $along >= self::HARDLY_ALONG ? Sentence::of('shape.maybe_brim') : null,
        ]));
    }

    /**
     * A line wiped or primed at a height of its own lies under or over nothing else.
     *
     * @throws BadShape if it holds more line than is looked at
     */
    private function leaveOutPrimed(): void
    {
        $all = array_map(function (LayerTrace $layer): Cells {
            $cells = $this->grid->empty();
            $cells->cover($layer);

            return $cells;
        }, $this->layers);
        $body = array_keys(array_filter($all, static function (Cells $own) use ($all): bool {
            foreach ($all as $other) {
                if ($other !== $own && $own->common($other) > 0) {
                    return true;
                }
            }

            return false;
        }));
        if ([] === $body) {
            // One layer only: the one with the most plastic.
            $plastic = array_map(fn (LayerTrace $layer): float => $layer->plasticMm3($this->sectionMm2), $this->layers);
            arsort($plastic);
            $body = [(int) array_key_first($plastic)];
        }
        $this->layers = array_map(fn (int $i): LayerTrace => $this->layers[$i], $body);
        $this->cells = array_map(static fn (int $i): Cells => $all[$i], $body);
    }

    /** What a layer encloses, without thin loops round other things that end within the layers looked at: skirts of several layers. */
    private function filled(int $layer): Cells
    {
        if (isset($this->filled[$layer])) {
            return $this->filled[$layer];
        }
        $cells = $this->cells[$layer];
        $last = $this->cells[\count($this->cells) - 1];
        $pieces = $cells->pieces();
        foreach (\count($this->cells) > 2 ? $pieces : [] as $piece) {
            if ($last->under($piece) <= self::UNDER * $piece->squares && self::isRound($piece, $pieces) && self::isThin($cells->only($piece))) {
                $cells = $cells->without($cells->only($piece));
            }
        }

        return $this->filled[$layer] = $cells->filled();
    }

    /** @param list<Piece> $pieces */
    private static function isRound(Piece $piece, array $pieces): bool
    {
        foreach ($pieces as $other) {
            if ($piece->boxes($other)) {
                return true;
            }
        }

        return false;
    }

    private static function isThin(Cells $piece): bool
    {
        for ($i = 0; $i < self::THIN; ++$i) {
            $piece = $piece->shrunk();
        }

        return 0 === $piece->squares();
    }

    /** Skirt and primed lines: nothing stands on them, and they are thin. What is broad is a part of one layer. */
    private function apart(): Cells
    {
        $first = $this->cells[0];
        $apart = $first->empty();
        if (!isset($this->cells[1])) {
            return $apart;
        }
        $above = $this->filled(1);
        foreach ($first->pieces() as $piece) {
            // A crossing or two does not make a skirt part of the body.
            if ($above->under($piece) <= self::UNDER * $piece->squares && self::isThin($only = $first->only($piece))) {
                $apart = $apart->with($only);
            }
        }

        return $apart;
    }

    /** The layer that stands on a raft; null: there is none. */
    private function raftUnder(Cells $standing, float $plasticMm3): ?int
    {
        $base = $standing->filled();
        $open = $base->squares() > 0 && $plasticMm3 / $this->heightMm < self::OPEN * $base->areaMm2();
        for ($i = \count($this->layers) - 2; $i > 0; --$i) {
            $width = $this->widthBySteps($i);
            if ($width < self::GAP * $this->widthBySteps($i + 1) && $this->stepsBack($i - 1, $i)) {
                return $i;
            }
            // Without a gap: lines apart on the plate, then one step back all round, and no slope.
            if ($open && $this->stepsBack($i - 1, $i) && !$this->stepsBack($i, $i + 1) && !$this->stepsBack(0, $i - 1)) {
                return $i;
            }
        }

        return null;
    }

    /** Width of the lines of a layer if it were as high as the step from the one below, mm. */
    private function widthBySteps(int $layer): float
    {
        $trace = $this->layers[$layer];
        $step = $trace->zMm - $this->layers[$layer - 1]->zMm;

        return $trace->lengthMm > 0 && $step > 0 ? $trace->plasticMm3($this->sectionMm2) / $trace->lengthMm / $step : 0.0;
    }

    private function stepsBack(int $lower, int $upper): bool
    {
        return $this->filled($lower)->without($this->filled($upper)->grown())->areaMm2() > self::BRIM_FROM_MM2;
    }

    /** What of the first layer lies beside all that the second encloses; null if that is next to nothing, or the foot of a slope. */
    private function beside(Cells $standing): ?Cells
    {
        if (!isset($this->cells[1])) {
            return null;
        }
        $beside = $standing->without($this->filled(1)->grown());
        if ($beside->areaMm2() <= self::BRIM_FROM_MM2) {
            return null;
        }
        $next = isset($this->cells[2]) ? $this->filled(1)->without($this->filled(2)->grown())->areaMm2() : 0.0;

        return $next >= self::SLOPE * $beside->areaMm2() ? null : $beside;
    }

    /** Which share of the lines there goes along the outline of the part; nought where they do not go round it. */
    private function along(Cells $beside): float
    {
        $next = $this->filled(1)->grown();
        $band = $next->grown()->without($next);
        if ($this->cells[0]->common($band) < self::ROUND * $band->squares()) {
            return 0.0;
        }
        $rings = $this->filled(1)->ringsAround(self::RINGS);
        $all = $along = 0.0;
        foreach ($this->layers[0]->paths() as $xy) {
            $length = 0.0;
            $from = null;
            for ($i = 3, $n = \count($xy); $i < $n; $i += 2) {
                $line = hypot($xy[$i] - $xy[$i - 2], $xy[$i + 1] - $xy[$i - 1]);
                $pieces = max(1, (int) round($line / self::PIECE_MM));
                for ($k = 3 === $i ? 0 : 1; $k <= $pieces; ++$k) {
                    $cell = $beside->at($xy[$i - 2] + $k / $pieces * ($xy[$i] - $xy[$i - 2]), $xy[$i - 1] + $k / $pieces * ($xy[$i + 1] - $xy[$i - 1]));
                    $ring = $beside->covers($cell) ? \ord($rings[$cell]) : 0;
                    $length += 0 === $k ? 0.0 : $line / $pieces;
                    if (null !== $from && $ring > 0) {
                        if ($length < self::PIECE_MM / 2) {
                            continue;
                        }
                        $all += $length;
                        $along += abs($ring - $from) * Cells::SIZE_MM <= Cells::SIZE_MM + self::ASLANT * $length ? $length : 0.0;
                    }
                    $from = $ring > 0 ? $ring : null;
                    $length = 0.0;
                }
            }
        }

        return $all > 0 ? $along / $all : 0.0;
    }

    /**
     * The outlines of what stands on the plate, what they enclose, and all that bounds what lies there.
     *
     * @param \Closure(float, float): bool $counts
     *
     * @return array{list<Outline>, float, list<Outline>}
     *
     * @throws BadShape if its lines have more corners than anybody waits for
     */
    private function outlines(LayerTrace $shown, \Closure $counts, float $widthMm): array
    {
        $first = $this->layers[0];
        $loops = $shown->loops($counts);
        $outer = LayerTrace::outermost($loops, $widthMm);
        if ([] === $outer) {
            return [[], 0.0, []];
        }
        $walls = Walls::of($this->raft ? $shown : $first, $shown === $first || $this->raft ? $loops : $first->loops($counts), $widthMm);
        $holes = array_values(array_filter($walls, static fn (Outline $wall): bool => $wall->signedAreaMm2() < 0));
        $islands = array_values(array_filter($walls, static fn (Outline $wall): bool => $wall->signedAreaMm2() > 0));
        if ($shown !== $first) {
            // The outline is that of the part, its holes are those of what lies below.
            $islands = $outer;
            $holes = array_values(array_filter($holes, static function (Outline $hole) use ($outer): bool {
                foreach ($outer as $island) {
                    if ($island->contains($hole->points[0])) {
                        return true;
                    }
                }

                return false;
            }));
        }
        $all = [] === $islands ? $outer : [...$islands, ...$holes];

        return [$all, self::enclosedMm2($all), $walls];
    }

    /**
     * Between what the first layer and what the part enclose; holes are the same in both.
     *
     * @param list<Outline> $around what bounds the first layer
     */
    private function brimMm2(array $around, float $enclosedMm2, ?Cells $beside): float
    {
        $area = self::enclosedMm2($around) - $enclosedMm2;
        if ([] !== $around && [] !== $this->outlines && $area > 0.0) {
            return $area;
        }

        // By the squares: those next to the part went to it, and half a millimetre along its outline belongs to the brim.
        return ($beside?->areaMm2() ?? 0.0)
            + Cells::SIZE_MM * array_sum(array_map(static fn (Outline $o): float => $o->lengthMm(), $this->outlines));
    }

    /** What is enclosed, where the plastic laid down covers it; else by the plastic. */
    private static function area(float $enclosedMm2, float $laidMm2): float
    {
        $laid = max(0.0, $laidMm2);

        return $enclosedMm2 > 0.0 && $laid >= self::COVERED[0] * $enclosedMm2 && $laid <= self::COVERED[1] * $enclosedMm2 ? $enclosedMm2 : $laid;
    }

    /** @param list<Outline> $outlines */
    private static function enclosedMm2(array $outlines): float
    {
        return UnionArea::mm2($outlines) ?? max(0.0, array_sum(array_map(static fn (Outline $outline): float => $outline->signedAreaMm2(), $outlines)));
    }

    /** @return array<int, float> */
    private static function toolsOf(LayerTrace $layer, Cells $standing): array
    {
        $lengths = self::lengths($layer, $standing);
        $all = array_sum($lengths);
        ksort($lengths);

        return $all > 0 ? array_map(static fn (float $length): float => $length / $all, $lengths) : [];
    }

    /** @return array<int, float> mm of line in these squares by tool */
    private static function lengths(LayerTrace $layer, Cells $cells): array
    {
        $lengths = [];
        foreach ($layer->paths() as $tool => $xy) {
            $inside = 0.0;
            for ($i = 3, $n = \count($xy); $i < $n; $i += 2) {
                if ($cells->covers($cells->at(($xy[$i] + $xy[$i - 2]) / 2, ($xy[$i + 1] + $xy[$i - 1]) / 2))) {
                    $inside += hypot($xy[$i] - $xy[$i - 2], $xy[$i + 1] - $xy[$i - 1]);
                }
            }
            if ($inside > 0.0) {
                $lengths[$tool] = ($lengths[$tool] ?? 0.0) + $inside;
            }
        }

        return $lengths;
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
