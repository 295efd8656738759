<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** What an agent is for on one pair of surface and material. */
enum AgentRole: string
{
    case Grip = 'grip';
    case Release = 'release';
    case None = 'none';
    case Harmful = 'harmful';

    public function words(): string
    {
        return match ($this) {
            self::Grip => 'adds grip here',
            self::Release => 'is the parting layer here',
            self::None => 'has no use here',
            self::Harmful => 'does harm here',
        };
    }
}
