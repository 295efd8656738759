<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Surface;

/** Brim, ears or raft for a part, with the reason and what it gains; common practice, and never a brim on what moves. */
final readonly class FootholdAdvice
{
    /** Practice: 3 to 5 mm. */
    private const BRIM_MM = 4.0;
    private const EAR_RADIUS_MM = 6.0;
    private const VERY_SMALL_MM2 = 40.0;

    private function __construct(
        public Foothold $foothold,
        public string $sentence,
        /** Contact of one part that it adds, mm². */
        public float $gainedMm2,
    ) {
    }

    public static function for(PartFacts $part, int $count, ?Surface $surface = null): self
    {
        $foothold = self::choose($part, $count, $surface);
        $gained = $part->gainedMm2($foothold);
        $why = $part->delicate;
        $sentence = match (true) {
            $part->articulated && $surface?->raftRequired => 'This surface wants a raft, and an articulated part cannot have one.',
            $part->articulated => 'No brim, ears or raft: they would lock an articulated part.',
            null !== $surface && $surface->raftRequired => \sprintf('A raft: %s does not hold without.', $surface->name),
            !$foothold->helps() => 'It needs no brim: its foot is broad enough.',
            default => \sprintf('%s: %s. That adds %.0f mm² to the %.0f mm² of each part.', ucfirst($foothold->words()), [] === $why ? 'sharp corners near each other lift first' : implode(', ', $why), $gained, $part->contactAreaMm2),
        };

        return new self($foothold, $sentence, $gained);
    }

    private static function choose(PartFacts $part, int $count, ?Surface $surface): Foothold
    {
        if ($part->articulated) {
            return Foothold::none();
        }
        if (null !== $surface && $surface->raftRequired) {
            return new Foothold(FootholdKind::Raft);
        }
        $foot = $part->contactAreaMm2 / max(1, $part->islands);
        if ($foot < self::VERY_SMALL_MM2 && ($count >= 10 || $part->slenderness() >= PartFacts::TALL)) {
            return new Foothold(FootholdKind::Raft);
        }
        if ($part->thinEnds > 0 && $part->slenderness() < PartFacts::TALL && $foot >= PartFacts::SMALL_FOOT_MM2) {
            return new Foothold(FootholdKind::Ears, self::EAR_RADIUS_MM);
        }

        return [] === $part->delicate ? Foothold::none() : new Foothold(FootholdKind::Brim, self::BRIM_MM);
    }
}
