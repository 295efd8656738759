<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

/** By what candidates are put in order. */
enum Criterion: string
{
    case Chance = 'chance';
    case Consumable = 'consumable';
    case Turnaround = 'turnaround';
    case Cost = 'cost';
    case Energy = 'energy';

    /** @return list<self> */
    public static function usual(): array
    {
        return [self::Chance, self::Consumable, self::Turnaround, self::Cost];
    }
}
