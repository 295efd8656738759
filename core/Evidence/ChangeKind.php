<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

use Sitzplatz\Words\Sentence;

/** What can happen to a printer that puts earlier results in question (common practice). */
enum ChangeKind: string
{
    case Nozzle = 'nozzle';
    case HotEnd = 'hot_end';
    case Levelling = 'levelling';
    /** Levelled by hand for one plate: it is off for the others. */
    case LevelledForPlate = 'levelled_for_plate';
    case HoldDown = 'hold_down';
    case Magnet = 'magnet';
    case Crash = 'crash';
    /** From one time to another something was wrong with the machine. */
    case MachineFault = 'machine_fault';

    public function words(): Sentence
    {
        return Sentence::of('change.'.$this->value);
    }
}
