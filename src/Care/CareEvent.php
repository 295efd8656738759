<?php

declare(strict_types=1);

namespace App\Care;

use App\Account\Author;
use App\Platform\Database\Row;
use App\Shelf\AgentStock;
use App\Shelf\PlateSide;
use App\Test\TouchesSide;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\PlateSpot;
use Symfony\Component\Uid\Uuid;

/** Something that was done to a plate side: a wash, a scuff, a coat. */
#[ORM\Entity]
#[ORM\Index(fields: ['side', 'createdAt'])]
#[ORM\Index(fields: ['side', 'kind', 'createdAt'], name: 'IDX_care_last')]
class CareEvent extends Row implements TouchesSide
{
    #[ORM\Column(length: 80)]
    public readonly string $doneBy;

    #[ORM\Column(type: 'uuid', nullable: true)]
    public readonly ?Uuid $doneById;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly PlateSide $side,
        /** wash, wipe, scuff, coat or touch_up; a wipe between prints is no wash */
        #[ORM\Column(length: 10)]
        public readonly string $kind,
        #[ORM\ManyToOne]
        public readonly ?AgentStock $agent,
        Author $by,
        #[ORM\Column(length: 500)]
        public readonly string $note,
        /** What it was cleaned with; null: not said. */
        #[ORM\Column(length: 40, nullable: true)]
        public readonly ?string $cleanerId = null,
        /** Of a coat that was touched up; null: wherever parts stood. */
        #[ORM\Column(type: 'smallint', nullable: true, enumType: PlateSpot::class)]
        public readonly ?PlateSpot $spot = null,
    ) {
        parent::__construct($id, $at);
        $this->doneBy = $by->name;
        $this->doneById = $by->id;
    }

    public function side(): PlateSide
    {
        return $this->side;
    }
}
