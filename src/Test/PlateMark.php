<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use App\Platform\Database\Withdrawable;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\MarkKind;
use Symfony\Component\Uid\Uuid;

/** Where on its plate a run failed or did harm. One that was set by mistake is withdrawn, not deleted. */
#[ORM\Entity]
class PlateMark extends Row
{
    use Withdrawable;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Run $run,
        #[ORM\Column(length: 10)]
        public readonly MarkKind $kind,
        /** Share of the width of the plate, from the left. */
        #[ORM\Column]
        public readonly float $x,
        /** Share of its depth, from the front. */
        #[ORM\Column]
        public readonly float $y,
        /** Of a part, from 1; null: anywhere. */
        #[ORM\Column(type: 'smallint', nullable: true)]
        public readonly ?int $place,
        #[ORM\Column(length: 80)]
        public readonly string $markedBy,
    ) {
        parent::__construct($id, $at);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'kind' => $this->kind->value,
            'x' => $this->x,
            'y' => $this->y,
            'place' => $this->place,
            'markedBy' => $this->markedBy,
        ];
    }
}
