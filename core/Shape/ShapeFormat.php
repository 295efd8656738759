<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Words\Sentence;

enum ShapeFormat: string
{
    case StlBinary = 'stl_binary';
    case StlAscii = 'stl_ascii';
    case ThreeMf = '3mf';
    case Gcode = 'gcode';

    public function words(): Sentence
    {
        return Sentence::of('shape.format.'.$this->value);
    }
}
