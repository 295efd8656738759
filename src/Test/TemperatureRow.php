<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** One sample of a cooling, as the thermometer sent it. */
#[ORM\Entity]
#[ORM\Table(name: 'temperature_sample')]
class TemperatureRow
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public readonly Uuid $coolingId,
        /** Milliseconds since the cooling is watched. */
        #[ORM\Id, ORM\Column]
        public readonly int $milliseconds,
        #[ORM\Column]
        public readonly float $celsius,
    ) {
    }
}
