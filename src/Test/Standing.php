<?php

declare(strict_types=1);

namespace App\Test;

use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\Life\StandingReading;
use Sitzplatz\Test\Measures;

/** Which reading of a measure stands for a part: one for each place that it is read at. */
#[ORM\Entity]
class Standing
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne(inversedBy: 'standing'), ORM\JoinColumn(nullable: false)]
        public readonly Part $part,
        #[ORM\Id, ORM\Column(length: 20)]
        public readonly string $measure,
        /** From 1; a part has one place for all but its lift. */
        #[ORM\Id, ORM\Column(type: 'smallint')]
        public readonly int $place,
        #[ORM\OneToOne, ORM\JoinColumn(nullable: false)]
        public StoredReading $reading,
    ) {
    }

    /** @return StandingReading|null null: there is no such measure any more */
    public function stands(Measures $measures): ?StandingReading
    {
        $reading = $this->reading->reading($measures);

        return null === $reading ? null : new StandingReading($this->reading->id->toRfc4122(), $reading, $this->place);
    }
}
