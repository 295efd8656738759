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

    /**
     * What such an event has to say besides.
     *
     * @throws BadChange if it does not say it
     */
    public function asksFor(?\DateTimeImmutable $from, ?\DateTimeImmutable $until, bool $plate): void
    {
        if (self::MachineFault === $this && (null === $from || null === $until || $until < $from)) {
            throw BadChange::without('from', 'times');
        }
        if (self::LevelledForPlate === $this && !$plate) {
            throw BadChange::without('plateId', 'plate');
        }
    }

    public function words(): Sentence
    {
        return Sentence::of('change.'.$this->value);
    }
}
