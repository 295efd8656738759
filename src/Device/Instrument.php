<?php

declare(strict_types=1);

namespace App\Device;

use App\Platform\Database\VersionedRow;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A measuring device on the shelf: where it is reached, and when it was last held against what is known. */
#[ORM\MappedSuperclass]
abstract class Instrument extends VersionedRow
{
    /** Stands for wherever the stand-in of the demo listens. */
    public const STAND_IN = 'stand-in';

    #[ORM\Column(length: 80, unique: true)]
    public string $name;

    /** Host and port. */
    #[ORM\Column(length: 120)]
    public string $address;

    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $checkedOn = null;

    #[ORM\Column]
    public bool $retired = false;

    final public function __construct(
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
        $this->checkedOn = \is_string($body['checkedOn'] ?? null) ? new \DateTimeImmutable($body['checkedOn']) : null;
        $this->retired = $body['retired'] ?? false;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'version' => $this->version,
            'name' => $this->name,
            'address' => $this->address,
            'checkedOn' => $this->checkedOn?->format('Y-m-d'),
            'simulated' => $this->simulated,
            'retired' => $this->retired,
        ];
    }
}
