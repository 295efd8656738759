<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A surface temperature that was measured on a fitting on a printer; only ever added, the latest counts. */
#[ORM\Entity]
#[ORM\Index(fields: ['printer', 'fitting'])]
class SurfaceMeasurement extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Printer $printer,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Fitting $fitting,
        #[ORM\Column]
        public readonly float $displayC,
        #[ORM\Column]
        public readonly float $surfaceC,
        #[ORM\Column]
        public readonly float $roomC,
        #[ORM\Column(length: 80)]
        public readonly string $measuredBy,
    ) {
        parent::__construct($id, $at);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'printerId' => $this->printer->id->toRfc4122(),
            'printerName' => $this->printer->name,
            'plateSideId' => $this->fitting->side->id->toRfc4122(),
            'sideLabel' => $this->fitting->side->label(),
            'displayC' => $this->displayC,
            'surfaceC' => $this->surfaceC,
            'roomC' => $this->roomC,
            'measuredBy' => $this->measuredBy,
            'at' => $this->createdAt->format(\DATE_ATOM),
        ];
    }
}
