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

    /** Practice was tried by many; a maker's chart is where to start until the own bench says more (common practice). */
    public function isOnlyTheMakers(): bool
    {
        return self::MakerGuidance === $this;
    }

    public function words(): Sentence
    {
        return Sentence::of('basis.'.strtolower($this->name));
    }
}
