<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Words\Sentence;

/** The formats that are always read. */
enum ShapeFormat: string implements FormatName
{
    case StlBinary = 'stl_binary';
    case StlAscii = 'stl_ascii';
    case ThreeMf = '3mf';
    case Gcode = 'gcode';

    public function key(): string
    {
        return $this->value;
    }

    public function words(): Sentence
    {
        return Sentence::of('shape.format.'.$this->value);
    }
}
