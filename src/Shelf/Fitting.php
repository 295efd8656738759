<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A surface as it was put on a side: a new sheet on an old plate is a new surface with its own lot. */
#[ORM\Entity]
class Fitting extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $fittedAt,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly PlateSide $side,
        /** From the catalogue. */
        #[ORM\Column(length: 40)]
        public readonly string $surfaceId,
        #[ORM\Column(length: 60)]
        public readonly string $surfaceLot,
        /** A limit below that of its kind, °C. */
        #[ORM\Column(nullable: true)]
        public readonly ?float $limitC,
        /** What the shop's own soak test showed the sheet to stand. */
        #[ORM\Column(nullable: true)]
        public readonly ?float $soakC = null,
    ) {
        parent::__construct($id, $fittedAt);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'surfaceId' => $this->surfaceId,
            'surfaceLot' => $this->surfaceLot,
            'limitC' => $this->limitC,
            'soakC' => $this->soakC,
            'fittedAt' => $this->createdAt->format(\DATE_ATOM),
        ];
    }
}
