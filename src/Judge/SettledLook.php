<?php

declare(strict_types=1);

namespace App\Judge;

use App\Platform\Database\Row;
use App\Test\Setup;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Judge\Answer;
use Symfony\Component\Uid\Uuid;

/** What the looks of a setup had settled when a run that they rest on was changed: it stays on record, whatever is said since. */
#[ORM\Entity]
#[ORM\Index(fields: ['setup'], name: 'IDX_settled_look_setup')]
class SettledLook extends Row
{
    /** @param list<string> $runIds in the order of the looks */
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Setup $setup,
        #[ORM\Column(length: 10)]
        public readonly Answer $hold,
        #[ORM\Column(length: 10)]
        public readonly Answer $letsGo,
        #[ORM\Column(type: 'json')]
        public readonly array $runIds,
        #[ORM\Column(length: 20)]
        public readonly string $coreVersion,
    ) {
        parent::__construct($id, $at);
    }
}
