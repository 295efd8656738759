<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\Life\Fact\Marked;
use Sitzplatz\Test\MarkKind;
use Symfony\Component\Uid\Uuid;

/** Where on its plate a print for use failed or did harm; said with its answer. */
#[ORM\Entity]
class JobMark extends Row
{
    #[ORM\Column(length: 10)]
    public readonly MarkKind $kind;

    /** Share of the width of the plate, from the left. */
    #[ORM\Column]
    public readonly float $x;

    /** Share of its depth, from the front. */
    #[ORM\Column]
    public readonly float $y;

    /** Of a part, from 1; null: anywhere. */
    #[ORM\Column(type: 'smallint', nullable: true)]
    public readonly ?int $place;

    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne(inversedBy: 'marks'), ORM\JoinColumn(nullable: false)]
        public readonly Job $job,
        Marked $marked,
    ) {
        parent::__construct($id, $at);
        [$this->kind, $this->x, $this->y, $this->place] = [$marked->kind, $marked->x, $marked->y, $marked->place];
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
            'markedBy' => $this->job->answeredBy,
        ];
    }
}
