<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\Sentence;

/** On what a fact of the catalogue rests. */
enum Basis: string
{
    case Practice = 'practice';
    case MakerGuidance = 'maker guidance';
    case Handbook = 'handbook';
    case Memory = 'memory';
    case Shop = 'shop';

    public const PRACTICE_RUNS = 10.0;

    /**
     * How many runs its word is worth: practice was tried by many, a maker's chart is where to start until the own bench
     * says more (common practice; the numbers are our own choice).
     */
    public function worthRuns(): float
    {
        return self::MakerGuidance === $this ? 5.0 : self::PRACTICE_RUNS;
    }

    public function words(): Sentence
    {
        return Sentence::of('basis.'.strtolower($this->name));
    }
}
