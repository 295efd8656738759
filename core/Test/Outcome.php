<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** How a print ended. Only a part that lay flat to the end has held. */
enum Outcome: string
{
    case Held = 'held';
    case Lifted = 'lifted';
    case CameOff = 'came_off';
    case PlateShifted = 'plate_shifted';

    public function held(): bool
    {
        return self::Held === $this;
    }

    /** A part that came off, or went with the plate, has no pull. */
    public function pullPossible(): bool
    {
        return self::Held === $this || self::Lifted === $this;
    }

    public function words(): Sentence
    {
        return Sentence::of('outcome.'.$this->value);
    }
}
