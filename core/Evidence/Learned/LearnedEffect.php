<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Statistics\Normal;

/** What was learned of one thing, or of one measure: how much better or worse than practice knows. */
final readonly class LearnedEffect
{
    public function __construct(
        /** Null: a measure. */
        public ?EffectKind $kind,
        /** Which one of its kind, of a material first where it is of one; or the measure. */
        public string $name,
        /** On log-odds; of a measure, of one of it. */
        public float $worth,
        /** Standard deviation of that. */
        public float $doubt,
        /** What it would be worth before anything was printed. */
        public float $expected,
    ) {
    }

    /** How surely it differs from what was expected, in standard deviations. */
    public function surely(): float
    {
        return abs($this->worth - $this->expected) / $this->doubt;
    }

    /** The chance that it differs to this side at all. */
    public function sureness(): float
    {
        return Normal::cdf($this->surely());
    }
}
