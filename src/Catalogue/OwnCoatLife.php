<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Platform\Database\Row;
use App\Platform\Database\Withdrawable;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** How many prints a coat of a kind of agent lasted on a kind of surface in a test of the shop; never changed, only followed or taken back. */
#[ORM\Entity]
class OwnCoatLife extends Row
{
    use Withdrawable;

    #[ORM\Column(length: 80)]
    public string $withdrawnBy = '';

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\Column(length: 40)]
        public readonly string $agentKindId,
        #[ORM\Column(length: 40)]
        public readonly string $surfaceId,
        #[ORM\Column(type: 'smallint')]
        public readonly int $prints,
        /** The setup whose coats were followed. */
        #[ORM\Column(type: 'uuid')]
        public readonly Uuid $setupId,
        #[ORM\Column(length: 80)]
        public readonly string $who,
    ) {
        parent::__construct($id, $at);
    }
}
