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

    public function words(): Sentence
    {
        return Sentence::of('basis.'.strtolower($this->name));
    }
}
