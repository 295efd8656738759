<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Heat\CoolDown;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ContactPatch;
use Sitzplatz\Shape\Outline;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\Point;
use Sitzplatz\Shape\ShapeFormat;
use Sitzplatz\Statistics\Root;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What of a part matters for its seat. Lengths in mm, areas in mm². */
final readonly class PartFacts
{
    /** A foot no larger than the pull block of practice, which is small so that it can be broken off, mm². */
    public const SMALL_FOOT_MM2 = 120.0;
    /** Height ÷ width of the foot from which a part is tall (our own choice). */
    public const TALL = 5.0;
    /** Height ÷ width from which a bed that slings shakes it (our own choice). */
    public const SHAKEN = 2.0;
    /** Of a plastic of 1.2 g/cm³ and 1.5 J/gK (handbook values, from memory). */
    private const HEAT_J_MM3K = 1.8e-3;
    /** Widths of brims of which is kept what they add, mm. */
    public const BRIMS_MM = [1.0, 2.0, 3.0, 4.0, 5.0, 8.0, 12.0];
    /** A raft reaches so far beyond the foot, as a brim of this width, mm. */
    public const RAFT_BEYOND_MM = 3.0;
    private const WIDEST_BRIM_MM = 50.0;
    /** A bar shorter than this has no end that would lift by itself, mm (our own choice). */
    private const LONG_MM = 60.0;

    /** @var list<Sentence> why practice would call it delicate; empty: it is not */
    public array $delicate;

    public function __construct(
        /** Of one part. */
        public float $contactAreaMm2,
        /** Around its islands. */
        public float $outlineMm,
        public float $spanMm,
        public float $barWidthMm,
        public float $heightMm,
        public int $sharpCorners = 0,
        public int $thinEnds = 0,
        public int $islands = 1,
        /** @var list<float>|null what brims of BRIMS_MM add, mm²; null: as around a convex foot */
        public ?array $brimMm2 = null,
        public bool $articulated = false,
        public float $layerHeightMm = 0.2,
    ) {
        $foot = $contactAreaMm2 / max(1, $islands);
        $this->delicate = array_values(array_filter([
            $foot < self::SMALL_FOOT_MM2 ? Sentence::of('part.small_foot', foot: Quantity::squareMillimetres($foot)) : null,
            $thinEnds > 0 && $spanMm >= self::LONG_MM ? Sentence::of(
                'part.thin_ends',
                span: Quantity::millimetres($spanMm, 1),
                ends: Quantity::count($thinEnds),
            ) : null,
            $this->slenderness() >= self::TALL ? Sentence::of('part.tall', times: Quantity::number($this->slenderness(), 0.1)) : null,
        ]));
    }

    /**
     * As an address or a form names its figures. Addresses from before name the rounding c of a brim, which then added
     * outline·w + c·w².
     *
     * @param array<string, mixed> $figures by the names of the members
     */
    public static function said(array $figures): self
    {
        $outline = (float) $figures['outlineMm'];
        $brims = match (true) {
            [] !== ($figures['brimMm2'] ?? []) => array_values(array_map(floatval(...), $figures['brimMm2'])),
            isset($figures['brimRounding']) => array_map(
                static fn (float $widthMm): float => max(0.0, $outline * $widthMm + $figures['brimRounding'] * $widthMm ** 2),
                self::BRIMS_MM,
            ),
            default => null,
        };

        return new self(
            (float) $figures['contactAreaMm2'],
            $outline,
            (float) $figures['spanMm'],
            (float) $figures['barWidthMm'],
            (float) $figures['heightMm'],
            $figures['sharpCorners'] ?? 0,
            $figures['thinEnds'] ?? 0,
            $figures['islands'] ?? 1,
            $brims,
            $figures['articulated'] ?? false,
            (float) ($figures['layerHeightMm'] ?? 0.2),
        );
    }

    /**
     * One part of what a file holds: each island of a G-code file is a part, each object of a model is one however many
     * feet it has.
     *
     * @throws BadShape if it has more corners than anybody waits for
     */
    public static function ofShape(PartShape $shape, bool $articulated = false): self
    {
        $patch = $shape->patch;
        $bar = $patch->bar();
        $parts = self::partsIn($shape);
        $around = array_sum(array_map(static fn (Outline $outline): float => $outline->lengthMm(), $patch->islands));

        return new self(
            $patch->areaMm2 / $parts,
            $around / $parts,
            $bar->spanMm,
            $bar->widthMm,
            $shape->heightMm,
            (int) round(\count($patch->sharpCorners()) / $parts),
            (int) round(\count($patch->thinEnds()) / $parts),
            (int) round(max(1, \count($patch->islands)) / $parts),
            array_map(static fn (float $widthMm): float => $patch->brimAreaMm2($widthMm) / $parts, self::BRIMS_MM),
            $articulated,
            $shape->firstLayer->heightMm ?? 0.2,
        );
    }

    /**
     * A block of which only length, width and height are known: it stands on all of its foot.
     *
     * @throws BadShape if it has more corners than anybody waits for
     */
    public static function ofBox(float $lengthMm, float $widthMm, float $heightMm): self
    {
        $corners = [new Point(0, 0), new Point($lengthMm, 0), new Point($lengthMm, $widthMm), new Point(0, $widthMm)];

        return self::ofShape(new PartShape(
            ShapeFormat::StlBinary,
            null,
            $lengthMm,
            $widthMm,
            $heightMm,
            $lengthMm * $widthMm * $heightMm,
            new ContactPatch([new Outline($corners)]),
            null,
            [],
        ));
    }

    /** What follows for a block, in words. */
    public function follows(): Sentence
    {
        return Sentence::of(
            'part.follows',
            contact: Quantity::squareMillimetres($this->contactAreaMm2),
            span: Quantity::millimetres($this->spanMm, 1),
            corners: Quantity::count($this->sharpCorners),
        );
    }

    public static function partsIn(PartShape $shape): int
    {
        return null === $shape->firstLayer ? $shape->objects : max(1, \count($shape->patch->islands));
    }

    /**
     * What a G-code file lays around or under each part; the width of a brim by its area.
     *
     * @throws BadShape if it has more corners than anybody waits for
     */
    public static function footholdIn(PartShape $shape): Foothold
    {
        $first = $shape->firstLayer;
        if (null === $first || (!$first->brim && !$first->raft)) {
            return Foothold::none();
        }
        if ($first->raft) {
            return new Foothold(FootholdKind::Raft);
        }
        $part = self::ofShape($shape);
        $area = $first->brimAreaMm2 / self::partsIn($shape);
        $lacks = static fn (float $widthMm): float => $part->brimMm2($widthMm) - $area;

        return new Foothold(FootholdKind::Brim, round(
            $lacks(self::WIDEST_BRIM_MM) <= 0.0 ? self::WIDEST_BRIM_MM : Root::between($lacks, 0.0, self::WIDEST_BRIM_MM, 1e-4),
            1,
        ));
    }

    /** What a brim of this width adds around one part; between the widths that are kept by area over width. */
    public function brimMm2(float $widthMm): float
    {
        if (null === $this->brimMm2 || [] === $this->brimMm2) {
            return $this->outlineMm * $widthMm + max(1, $this->islands) * \M_PI * $widthMm ** 2;
        }
        // Area over width, at nought the outline.
        $widths = \array_slice(self::BRIMS_MM, 0, \count($this->brimMm2));
        $kept = array_map(static fn (float $mm2, float $wide): array => [$wide, $mm2 / $wide], $this->brimMm2, $widths);
        $before = [0.0, $this->outlineMm];
        $next = array_shift($kept);
        while ([] !== $kept && $widthMm > $next[0]) {
            $before = $next;
            $next = array_shift($kept);
        }

        return max(0.0, $widthMm * ($before[1] + ($next[1] - $before[1]) * ($widthMm - $before[0]) / max(1e-9, $next[0] - $before[0])));
    }

    /** Heat that one part takes up for each degree, J/K: its box over the foot, as full as parts usually are. */
    public function heatJK(): float
    {
        return $this->contactAreaMm2 * $this->heightMm * CoolDown::FILLED * self::HEAT_J_MM3K;
    }

    /** A file without closed lines shows its area and nothing of its corners and ends. */
    public function outlineKnown(): bool
    {
        return $this->outlineMm > 0.0;
    }

    public function slenderness(): float
    {
        return $this->barWidthMm > 0 ? $this->heightMm / $this->barWidthMm : 0.0;
    }

    /** What this foothold adds to the contact of one part. */
    public function gainedMm2(Foothold $foothold): float
    {
        return match ($foothold->kind) {
            FootholdKind::None => 0.0,
            FootholdKind::Brim => $this->brimMm2($foothold->mm),
            // At a thin end half of the disc stands out, at a square corner three quarters.
            FootholdKind::Ears => \M_PI * $foothold->mm ** 2 * (0 < $this->thinEnds ? 0.5 * $this->thinEnds : 0.75 * $this->sharpCorners),
            FootholdKind::Raft => $this->brimMm2(self::RAFT_BEYOND_MM),
        };
    }
}
