<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Choose\PrinterFacts;

/** A printer of the shop. */
#[ORM\Entity]
class Printer extends VersionedRow implements ShelfItem
{
    #[ORM\Column(length: 80, unique: true)]
    public string $name;

    /** filament or resin */
    #[ORM\Column(length: 20)]
    public string $kind;

    #[ORM\Column]
    public float $bedWidthMm;

    #[ORM\Column]
    public float $bedDepthMm;

    #[ORM\Column(nullable: true)]
    public ?float $maxBedC;

    #[ORM\Column]
    public float $maxNozzleC;

    #[ORM\Column(name: 'has_enclosure')]
    public bool $enclosed;

    #[ORM\Column(nullable: true)]
    public ?float $magnetLimitC;

    #[ORM\Column]
    public bool $retired = false;

    public function apply(array $body): void
    {
        $this->name = $body['name'];
        $this->kind = $body['kind'];
        $this->bedWidthMm = (float) $body['bedWidthMm'];
        $this->bedDepthMm = (float) $body['bedDepthMm'];
        $this->maxBedC = Number::orNull($body['maxBedC']);
        $this->maxNozzleC = (float) $body['maxNozzleC'];
        $this->enclosed = $body['enclosed'];
        $this->magnetLimitC = Number::orNull($body['magnetLimitC']);
        $this->retired = $body['retired'] ?? false;
    }

    public function facts(): PrinterFacts
    {
        return new PrinterFacts(
            $this->id->toRfc4122(),
            $this->name,
            'filament' === $this->kind,
            $this->bedWidthMm,
            $this->bedDepthMm,
            $this->maxBedC,
            $this->maxNozzleC,
            $this->enclosed,
            $this->magnetLimitC,
        );
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'name' => $this->name,
            'kind' => $this->kind,
            'bedWidthMm' => $this->bedWidthMm,
            'bedDepthMm' => $this->bedDepthMm,
            'maxBedC' => $this->maxBedC,
            'maxNozzleC' => $this->maxNozzleC,
            'enclosed' => $this->enclosed,
            'magnetLimitC' => $this->magnetLimitC,
            'retired' => $this->retired,
        ];
    }
}
