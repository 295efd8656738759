<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** One sample of a capture, as the gauge sent it. */
#[ORM\Entity]
class GaugeSample
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public readonly Uuid $captureId,
        /** Milliseconds since the capture began. */
        #[ORM\Id, ORM\Column]
        public readonly int $milliseconds,
        #[ORM\Column]
        public readonly float $forceN,
    ) {
    }
}
