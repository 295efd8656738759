<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A brim of a width, ears of a radius, a raft, or nothing. */
final readonly class Foothold
{
    /** @param float $mm width of the brim or radius of the ears; without meaning for the others */
    public function __construct(public FootholdKind $kind, public float $mm = 0.0)
    {
    }

    public static function none(): self
    {
        return new self(FootholdKind::None);
    }

    public function helps(): bool
    {
        return FootholdKind::None !== $this->kind;
    }

    /** Why the part cannot have it; null: it can. */
    public function refusedBy(?PartFacts $part): ?Sentence
    {
        return true === $part?->articulated && $this->helps() ? Sentence::of('foothold.locks') : null;
    }

    public function words(): Sentence
    {
        return match ($this->kind) {
            FootholdKind::None, FootholdKind::Raft => Sentence::of('foothold.'.$this->kind->value),
            FootholdKind::Brim, FootholdKind::Ears => Sentence::of('foothold.'.$this->kind->value, mm: Quantity::millimetres($this->mm, 0.1)),
        };
    }
}
