<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** What was sent when a key was first used, so that a repeated send is told from a different one. */
#[ORM\Entity]
class CreatedKey
{
    public function __construct(
        #[ORM\Id, ORM\Column(type: 'uuid')]
        public readonly Uuid $id,
        #[ORM\Column(length: 40)]
        public readonly string $kind,
        #[ORM\Column(length: 64)]
        public readonly string $digest,
    ) {
    }
}
