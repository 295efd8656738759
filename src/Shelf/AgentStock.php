<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Wear\Wear;

/** An agent on the shelf: a stick, can or jar of a kind. */
#[ORM\Entity]
class AgentStock extends VersionedRow implements ShelfItem
{
    /** From the catalogue. */
    #[ORM\Column(length: 40)]
    public string $kindId;

    /** What the shop calls it. */
    #[ORM\Column(length: 80)]
    public string $name;

    #[ORM\Column(length: 60)]
    public string $batch;

    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $openedOn;

    /** As it is printed on it. */
    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $expiresOn = null;

    /** Where its data sheet is kept; "" for nowhere. */
    #[ORM\Column(length: 300, options: ['default' => ''])]
    public string $dataSheet = '';

    /** In the shop's money. */
    #[ORM\Column(nullable: true)]
    public ?float $price = null;

    /** How many coats it gives. */
    #[ORM\Column(nullable: true)]
    public ?int $coats = null;

    #[ORM\Column]
    public bool $retired = false;

    public function apply(array $body): void
    {
        $this->kindId = $body['kindId'];
        $this->name = $body['name'];
        $this->batch = $body['batch'];
        $this->openedOn = \is_string($body['openedOn']) ? new \DateTimeImmutable($body['openedOn']) : null;
        $this->expiresOn = \is_string($body['expiresOn'] ?? null) ? new \DateTimeImmutable($body['expiresOn']) : null;
        $this->dataSheet = $body['dataSheet'] ?? '';
        $this->price = Number::orNull($body['price'] ?? null);
        $this->coats = $body['coats'] ?? null;
        $this->retired = $body['retired'] ?? false;
    }

    public function facts(): AgentFacts
    {
        return new AgentFacts($this->kindId, $this->name, Wear::ofACoat($this->price, $this->coats));
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'kindId' => $this->kindId,
            'name' => $this->name,
            'batch' => $this->batch,
            'openedOn' => $this->openedOn?->format('Y-m-d'),
            'expiresOn' => $this->expiresOn?->format('Y-m-d'),
            'dataSheet' => $this->dataSheet,
            'price' => $this->price,
            'coats' => $this->coats,
            'retired' => $this->retired,
        ];
    }
}
