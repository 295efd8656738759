<?php

declare(strict_types=1);

namespace App\Fix;

use App\Account\Author;
use App\Platform\Database\Row;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** Something was wrong, and what it was; never changed. What it was is remembered for the next time. */
#[ORM\Entity]
#[ORM\Index(fields: ['symptomId', 'causeId'], name: 'IDX_fix_case_cause')]
#[ORM\Index(fields: ['createdAt'], name: 'IDX_fix_case_created')]
class FixCase extends Row
{
    #[ORM\Column(length: 80)]
    public readonly string $who;

    /** @param list<string> $tried ids of causes whose trial did not help */
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\Column(length: 40)]
        public readonly string $symptomId,
        #[ORM\Column(type: 'json')]
        public readonly array $tried,
        /** Null: nothing helped. */
        #[ORM\Column(length: 40, nullable: true)]
        public readonly ?string $causeId,
        #[ORM\ManyToOne]
        public readonly ?Printer $printer,
        #[ORM\ManyToOne]
        public readonly ?PlateSide $side,
        #[ORM\ManyToOne]
        public readonly ?Lot $lot,
        #[ORM\Column(length: 500)]
        public readonly string $note,
        Author $by,
    ) {
        parent::__construct($id, $at);
        $this->who = $by->name;
    }
}
