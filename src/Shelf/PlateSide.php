<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;
use Symfony\Component\Uid\Uuid;

/** One side of a plate. What lies on it now is its current fitting; the earlier ones stay as history. */
#[ORM\Entity]
#[ORM\UniqueConstraint(fields: ['plate', 'face'])]
class PlateSide extends Row
{
    #[ORM\OneToOne]
    public ?Fitting $fitting = null;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\ManyToOne(inversedBy: 'sides'), ORM\JoinColumn(nullable: false)]
        public readonly Plate $plate,
        /** front or back */
        #[ORM\Column(length: 10)]
        public readonly string $face,
    ) {
        parent::__construct($id, $createdAt);
    }

    public function label(): string
    {
        return SideOnShelf::label($this->plate->number, $this->face);
    }

    public function current(): Fitting
    {
        return $this->fitting ?? throw new \LogicException('A side is made together with its first fitting.');
    }

    public function facts(Catalogue $catalogue, ?MeasuredSurface $measured = null, SideState $state = new SideState()): SideFacts
    {
        return $this->onShelf()->facts($catalogue, $measured, $state);
    }

    public function onShelf(): SideOnShelf
    {
        $fitting = $this->current();

        return new SideOnShelf(
            $this->id->toRfc4122(),
            $this->plate->id->toRfc4122(),
            $this->plate->number,
            $this->face,
            $fitting->id->toRfc4122(),
            $fitting->surfaceId,
            $fitting->limitC,
            $fitting->soakC,
            $this->plate->widthMm,
            $this->plate->depthMm,
            $this->plate->heldBy,
            $this->plate->layers,
            $this->plate->marked,
            $this->plate->slicerType,
            $this->plate->price,
            $this->plate->printer?->id->toRfc4122(),
            $this->plate->round,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'face' => $this->face,
            'label' => $this->label(),
            'fitting' => $this->current()->toArray(),
        ];
    }
}
