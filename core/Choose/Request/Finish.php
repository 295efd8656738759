<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** How an underside may look. */
enum Finish: string
{
    case Gloss = 'gloss';
    case Satin = 'satin';
    case Texture = 'texture';
    case Pattern = 'pattern';
}
