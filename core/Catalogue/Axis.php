<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** What a window runs along: the bed temperature of a filament, or the exposure of a resin's bottom layers. */
enum Axis: string
{
    case Celsius = '°C';
    case Seconds = 's';
    case Millimetres = 'mm';
}
