<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\Sentence;

/** What an agent is for on one pair of surface and material. */
enum AgentRole: string
{
    case Grip = 'grip';
    case Release = 'release';
    case None = 'none';
    case Harmful = 'harmful';

    public function words(): Sentence
    {
        return Sentence::of('role.'.$this->value);
    }
}
