<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** Runs that were added to a comparison at once; its key makes a repeated send the same runs. */
#[ORM\Entity]
class AddedRuns extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Comparison $comparison,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Setup $setup,
        #[ORM\Column(type: 'smallint')]
        public readonly int $count,
        #[ORM\Column(type: 'uuid')]
        public readonly Uuid $addedById,
    ) {
        parent::__construct($id, $at);
    }
}
