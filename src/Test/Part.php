<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A part on the plate of a run. */
#[ORM\Entity]
class Part extends Row
{
    /** @var Collection<int, Standing> */
    #[ORM\OneToMany(targetEntity: Standing::class, mappedBy: 'part')]
    public Collection $standing;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\ManyToOne(inversedBy: 'parts'), ORM\JoinColumn(nullable: false)]
        public readonly Run $run,
        /** Number of the place on the plate, from 1. */
        #[ORM\Column]
        public readonly int $place,
    ) {
        parent::__construct($id, $createdAt);
        $this->standing = new ArrayCollection();
    }
}
