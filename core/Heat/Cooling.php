<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Words\Sentence;

/** A way to let a plate cool. */
enum Cooling: string
{
    case StillAir = 'still_air';
    case OpenDoor = 'open_door';
    case Fan = 'fan';
    case OffPrinter = 'off_printer';
    case Freezer = 'freezer';

    /** °C (common household freezer). */
    public const FREEZER_C = -18.0;
    /** Air over the plate from a desk fan, m/s (our own choice). */
    public const FAN_MS = 2.0;

    public function words(): Sentence
    {
        return Sentence::of('cooling.'.$this->value);
    }

    /** Whether a closed printer is opened for it; a fan blows in through the open door too. */
    public function opensTheDoor(): bool
    {
        return self::OpenDoor === $this || self::Fan === $this;
    }

    /** Whether the plate alone cools, or the bed with it. */
    public function plateAlone(): bool
    {
        return self::OffPrinter === $this || self::Freezer === $this;
    }
}
