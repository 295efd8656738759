<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

enum ShapeFormat: string
{
    case StlBinary = 'stl_binary';
    case StlAscii = 'stl_ascii';
    case ThreeMf = '3mf';
    case Gcode = 'gcode';

    public function words(): string
    {
        return match ($this) {
            self::StlBinary => 'STL, binary',
            self::StlAscii => 'STL, text',
            self::ThreeMf => '3MF',
            self::Gcode => 'G-code',
        };
    }
}
