<?php

declare(strict_types=1);

namespace App\Care;

use App\Platform\Database\Row;
use App\Shelf\Printer;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A change to a printer that puts earlier results in question: nozzle, hot end, levelling, crash, magnet. */
#[ORM\Entity]
#[ORM\Index(fields: ['printer', 'createdAt'])]
class ChangeEvent extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Printer $printer,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Column(length: 80)]
        public readonly string $doneBy,
        #[ORM\Column(length: 500)]
        public readonly string $note,
    ) {
        parent::__construct($id, $at);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'printerName' => $this->printer->name,
            'kind' => $this->kind,
            'note' => $this->note,
            'doneBy' => $this->doneBy,
            'at' => $this->createdAt->format(\DATE_ATOM),
        ];
    }
}
