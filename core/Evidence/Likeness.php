<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

use Sitzplatz\Words\Sentence;

/**
 * How near an own run is to a proposal; agent, material and bed temperature are the same in all. A run that is merely
 * like it counts for less (the power prior wants the discount stated; the figures are ours).
 */
enum Likeness: string
{
    case SameSideAndLot = 'same_side_and_lot';
    case SameSide = 'same_side';
    case SameKindAndLot = 'same_kind_and_lot';
    case SameKind = 'same_kind';

    public function weight(): float
    {
        return match ($this) {
            self::SameSideAndLot => 1.0,
            self::SameSide => 0.6,
            self::SameKindAndLot => 0.4,
            self::SameKind => 0.25,
        };
    }

    public function words(): Sentence
    {
        return Sentence::of('likeness.'.$this->value);
    }

    public static function of(bool $sameSide, bool $sameLot): self
    {
        return match (true) {
            $sameSide && $sameLot => self::SameSideAndLot,
            $sameSide => self::SameSide,
            $sameLot => self::SameKindAndLot,
            default => self::SameKind,
        };
    }
}
