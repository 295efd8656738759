<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** On what a fact of the catalogue rests. */
enum Basis: string
{
    case Practice = 'practice';
    case MakerGuidance = 'maker guidance';
    case Handbook = 'handbook';
    case Memory = 'memory';
    case Shop = 'shop';

    public function words(): string
    {
        return match ($this) {
            self::Practice => 'common practice',
            self::MakerGuidance => 'general maker guidance',
            self::Handbook => 'a handbook value',
            self::Shop => 'the word of this shop',
            self::Memory => 'remembered practice, not yet checked here',
        };
    }
}
