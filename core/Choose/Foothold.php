<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Units\Figure;

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

    public function words(): string
    {
        return match ($this->kind) {
            FootholdKind::None => 'no brim',
            FootholdKind::Brim => \sprintf('brim of %s mm', Figure::short($this->mm)),
            FootholdKind::Ears => \sprintf('ears of %s mm radius', Figure::short($this->mm)),
            FootholdKind::Raft => 'raft',
        };
    }
}
