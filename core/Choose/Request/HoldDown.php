<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Words\Sentence;

/** What holds a plate on its printer. */
enum HoldDown: string
{
    case Magnet = 'magnet';
    case Clips = 'clips';
    case Screws = 'screws';
    case Glue = 'glue';
    /** A thin tacky silicone pad, which is a layer of the plate too. */
    case Pad = 'pad';
    case Loose = 'loose';

    /** Whether the plate stays on its printer for good. */
    public function staysOn(): bool
    {
        return self::Screws === $this || self::Glue === $this;
    }

    public function words(): Sentence
    {
        return Sentence::of('hold_down.'.$this->value);
    }
}
