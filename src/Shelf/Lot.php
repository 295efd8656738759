<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;

/** A spool or bottle of a material. */
#[ORM\Entity]
class Lot extends VersionedRow implements ShelfItem
{
    #[ORM\Column(length: 60, unique: true)]
    public string $label;

    /** From the catalogue. */
    #[ORM\Column(length: 40)]
    public string $materialId;

    /** What the shop calls the material. */
    #[ORM\Column(length: 80)]
    public string $name;

    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $driedOn;

    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $openedOn = null;

    /** What its label recommends. */
    #[ORM\Column(nullable: true)]
    public ?float $labelBedC = null;

    #[ORM\Column(nullable: true)]
    public ?float $labelNozzleC = null;

    #[ORM\Column(length: 500)]
    public string $note;

    #[ORM\Column]
    public bool $retired = false;

    /** Null: not known. */
    public function driedDaysAgo(\DateTimeImmutable $now): ?int
    {
        return null === $this->driedOn ? null : (int) $this->driedOn->diff($now)->days;
    }

    public function apply(array $body): void
    {
        $this->label = $body['label'];
        $this->materialId = $body['materialId'];
        $this->name = $body['name'];
        $this->driedOn = \is_string($body['driedOn']) ? new \DateTimeImmutable($body['driedOn']) : null;
        $this->openedOn = \is_string($body['openedOn'] ?? null) ? new \DateTimeImmutable($body['openedOn']) : null;
        $this->labelBedC = Number::orNull($body['labelBedC'] ?? null);
        $this->labelNozzleC = Number::orNull($body['labelNozzleC'] ?? null);
        $this->note = $body['note'];
        $this->retired = $body['retired'] ?? false;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'label' => $this->label,
            'materialId' => $this->materialId,
            'name' => $this->name,
            'driedOn' => $this->driedOn?->format('Y-m-d'),
            'openedOn' => $this->openedOn?->format('Y-m-d'),
            'labelBedC' => $this->labelBedC,
            'labelNozzleC' => $this->labelNozzleC,
            'note' => $this->note,
            'retired' => $this->retired,
        ];
    }
}
