<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\Reading;
use Symfony\Component\Uid\Uuid;

/** A reading of a part, only ever added: an amendment is a further row that points to the one it replaces; {@see Standing} says which stands. */
#[ORM\Entity]
#[ORM\Table(name: 'reading')]
class StoredReading extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Part $part,
        /** By its key, so that a measure that was taken away leaves its readings. */
        #[ORM\Column(length: 20)]
        public readonly string $measure,
        /** In N, mm, °C or as a plain number. */
        #[ORM\Column]
        public readonly float $value,
        #[ORM\Column]
        public readonly bool $atLeast,
        #[ORM\Column]
        public readonly float $enteredValue,
        #[ORM\Column(length: 4)]
        public readonly string $enteredUnit,
        /** typed, gauge, thermometer or table */
        #[ORM\Column(length: 12)]
        public readonly string $source,
        #[ORM\Column(length: 80)]
        public readonly string $enteredBy,
        #[ORM\Column(type: 'uuid', nullable: true)]
        public readonly ?Uuid $enteredById = null,
        /** Which of several places of the part, from 1. */
        #[ORM\Column(type: 'smallint')]
        public readonly int $place = 1,
        #[ORM\OneToOne(targetEntity: self::class)]
        public readonly ?self $amends = null,
        #[ORM\Column(length: 300)]
        public readonly string $amendReason = '',
        /** The gauge that it was read from. */
        #[ORM\Column(type: 'uuid', nullable: true)]
        public readonly ?Uuid $gaugeId = null,
        /** By a device of the demo: it proves nothing outside of it. */
        #[ORM\Column]
        public readonly bool $simulated = false,
        /** The thermometer that it was read from. */
        #[ORM\Column(type: 'uuid', nullable: true)]
        public readonly ?Uuid $thermometerId = null,
    ) {
        parent::__construct($id, $at);
    }

    /** @return Reading|null null: there is no such measure any more */
    public function reading(Measures $measures): ?Reading
    {
        $measure = $measures->of($this->measure);

        return null === $measure ? null : new Reading($measure, $this->value, $this->atLeast);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'measure' => $this->measure,
            'value' => $this->value,
            'atLeast' => $this->atLeast,
            'enteredValue' => $this->enteredValue,
            'enteredUnit' => $this->enteredUnit,
            'place' => $this->place,
            'source' => $this->source,
            'simulated' => $this->simulated,
            'enteredBy' => $this->enteredBy,
            'at' => $this->createdAt->format(\DATE_ATOM),
            'amends' => $this->amends?->id->toRfc4122(),
            'amendReason' => $this->amendReason,
        ];
    }
}
