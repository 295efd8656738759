<?php

declare(strict_types=1);

namespace App\Device;

use App\Platform\Database\VersionedRow;
use App\Shelf\Number;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A force gauge on the shelf: where it is reached, what it can show, and when it was last held against a known weight. */
#[ORM\Entity]
class Gauge extends VersionedRow
{
    /** Stands for wherever the stand-in of the demo listens. */
    public const STAND_IN = 'stand-in';

    #[ORM\Column(length: 80, unique: true)]
    public string $name;

    /** Host and port. */
    #[ORM\Column(length: 120)]
    public string $address;

    /** The most that it can show, N. */
    #[ORM\Column]
    public float $rangeN;

    /** The smallest step that it shows, N. */
    #[ORM\Column]
    public float $resolutionN;

    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $checkedOn = null;

    /** The known weight of the last check, N, and what the gauge showed. */
    #[ORM\Column(nullable: true)]
    public ?float $checkedWithN = null;

    #[ORM\Column(nullable: true)]
    public ?float $checkShowedN = null;

    #[ORM\Column]
    public bool $retired = false;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        /** Of the demo: what it says proves nothing outside of it. */
        #[ORM\Column]
        public readonly bool $simulated = false,
    ) {
        parent::__construct($id, $createdAt);
    }

    /** @param array<string, mixed> $body */
    public function apply(array $body): void
    {
        $this->name = $body['name'];
        $this->address = $this->simulated ? self::STAND_IN : $body['address'];
        $this->rangeN = (float) $body['rangeN'];
        $this->resolutionN = (float) $body['resolutionN'];
        $this->checkedOn = \is_string($body['checkedOn'] ?? null) ? new \DateTimeImmutable($body['checkedOn']) : null;
        $this->checkedWithN = Number::orNull($body['checkedWithN'] ?? null);
        $this->checkShowedN = Number::orNull($body['checkShowedN'] ?? null);
        $this->retired = $body['retired'] ?? false;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'name' => $this->name,
            'address' => $this->address,
            'rangeN' => $this->rangeN,
            'resolutionN' => $this->resolutionN,
            'checkedOn' => $this->checkedOn?->format('Y-m-d'),
            'checkedWithN' => $this->checkedWithN,
            'checkShowedN' => $this->checkShowedN,
            'simulated' => $this->simulated,
            'retired' => $this->retired,
        ];
    }
}
