<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Catalogue\Material;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Brim, ears or raft for a part, with the reason and what it gains; common practice, and never a brim on what moves. */
final readonly class FootholdAdvice
{
    /** Practice: 3 to 5 mm. */
    public const BRIM_MM = 4.0;
    public const EAR_RADIUS_MM = 6.0;
    private const VERY_SMALL_MM2 = 40.0;
    /** A block has so many (common practice: square ends lift more than round ones). */
    private const BLOCK_CORNERS = 4;
    /** Thin brims are hard to lift off a texture (common practice). */
    private const TEXTURE = 'texture';

    private function __construct(
        public Foothold $foothold,
        public Sentence $sentence,
        /** Contact of one part that it adds, mm². */
        public float $gainedMm2,
    ) {
    }

    /** @param Material|null $material null: any, so that it may be one that shrinks hard */
    public static function for(PartFacts $part, int $count, ?Surface $surface = null, ?Material $material = null, bool $nearEdge = false): self
    {
        $foothold = self::foothold($part, $count, $surface, $material, $nearEdge);
        $gained = $part->gainedMm2($foothold);
        $why = $part->delicate;
        $sentence = match (true) {
            $part->articulated && $surface?->raftRequired => Sentence::of('advice.articulated_raft'),
            $part->articulated => Sentence::of('advice.articulated'),
            null !== $surface && $surface->raftRequired => Sentence::of('advice.raft', surface: $surface->name),
            !$foothold->helps() => Sentence::of($part->outlineKnown() ? 'advice.none' : 'advice.unknown'),
            default => Sentence::of(
                FootholdKind::Brim === $foothold->kind && self::TEXTURE === $surface?->finish ? 'advice.gains_on_texture' : 'advice.gains',
                foothold: $foothold->words(),
                why: [] === $why ? Sentence::of($nearEdge ? 'advice.near_edge' : 'advice.corners') : Listing::of($why, Joined::Comma),
                gained: Quantity::squareMillimetres($gained),
                contact: Quantity::squareMillimetres($part->contactAreaMm2),
            ),
        };

        return new self($foothold, $sentence, $gained);
    }

    public static function foothold(PartFacts $part, int $count, ?Surface $surface = null, ?Material $material = null, bool $nearEdge = false): Foothold
    {
        if ($part->articulated) {
            return Foothold::none();
        }
        if (null !== $surface && $surface->raftRequired) {
            return new Foothold(FootholdKind::Raft);
        }
        if (!$part->outlineKnown()) {
            return Foothold::none();
        }
        $foot = $part->contactAreaMm2 / max(1, $part->islands);
        if ($foot < self::VERY_SMALL_MM2 && ($count >= 10 || $part->slenderness() >= PartFacts::TALL)) {
            return new Foothold(FootholdKind::Raft);
        }
        if ($part->thinEnds > 0 && $part->slenderness() < PartFacts::TALL && $foot >= PartFacts::SMALL_FOOT_MM2) {
            return new Foothold(FootholdKind::Ears, self::EAR_RADIUS_MM);
        }

        // Where the plate is cooler, what has corners at all wants it, whatever it is made of.
        $corners = $nearEdge ? $part->sharpCorners > 0 : $part->sharpCorners >= self::BLOCK_CORNERS && false !== $material?->shrinksHard();

        return $corners || [] !== $part->delicate ? new Foothold(FootholdKind::Brim, self::BRIM_MM) : Foothold::none();
    }
}
