<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Surface;
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

    /** What usually holds a plate of a kind: magnets where something in it is magnetic, else clips (common practice). */
    public static function usual(Surface $surface, Catalogue $catalogue): self
    {
        foreach ($surface->plate as [$of]) {
            if (isset($catalogue->layers[$of]) && $catalogue->layers[$of]->magnetic) {
                return self::Magnet;
            }
        }

        return self::Clips;
    }
}
