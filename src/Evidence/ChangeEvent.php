<?php

declare(strict_types=1);

namespace App\Evidence;

use App\Account\Author;
use App\Platform\Database\Row;
use App\Shelf\Plate;
use App\Shelf\Printer;
use App\Test\PartsRuns;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Evidence\Change;
use Sitzplatz\Evidence\ChangeKind;
use Symfony\Component\Uid\Uuid;

/** A change to a printer that puts earlier results in question. */
#[ORM\Entity]
#[ORM\Index(fields: ['printer', 'createdAt'])]
class ChangeEvent extends Row implements PartsRuns
{
    #[ORM\Column(length: 80)]
    public readonly string $doneBy;

    #[ORM\Column(type: 'uuid', nullable: true)]
    public readonly ?Uuid $doneById;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Printer $printer,
        #[ORM\Column(length: 20)]
        public readonly ChangeKind $kind,
        Author $by,
        #[ORM\Column(length: 500)]
        public readonly string $note,
        /** The plate that it was levelled for. */
        #[ORM\ManyToOne]
        public readonly ?Plate $plate = null,
        /** Of a fault: from when on, and until when. */
        #[ORM\Column(type: 'utc', nullable: true)]
        public readonly ?\DateTimeImmutable $faultFrom = null,
        #[ORM\Column(type: 'utc', nullable: true)]
        public readonly ?\DateTimeImmutable $faultUntil = null,
    ) {
        parent::__construct($id, $at);
        $this->doneBy = $by->name;
        $this->doneById = $by->id;
    }

    public function printer(): Printer
    {
        return $this->printer;
    }

    public function partsRunsAt(): array
    {
        return array_values(array_filter([$this->faultFrom ?? $this->createdAt, $this->faultUntil]));
    }

    public function change(): Change
    {
        return self::asChange($this->kind, $this->faultFrom ?? $this->createdAt, $this->faultUntil, $this->plate?->id->toRfc4122());
    }

    public static function asChange(ChangeKind $kind, \DateTimeImmutable $at, ?\DateTimeImmutable $until, ?string $plateId): Change
    {
        return new Change(
            $kind,
            $at->format('Y-m-d'),
            EvidenceRepository::seconds($at),
            null === $until ? null : EvidenceRepository::seconds($until),
            $plateId,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'printerName' => $this->printer->name,
            'kind' => $this->kind->value,
            'words' => $this->kind->words(),
            'plateNumber' => $this->plate?->number,
            'from' => $this->faultFrom?->format(\DATE_ATOM),
            'until' => $this->faultUntil?->format(\DATE_ATOM),
            'note' => $this->note,
            'doneBy' => $this->doneBy,
            'at' => $this->createdAt->format(\DATE_ATOM),
        ];
    }
}
