<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\TableMatch;
use Symfony\Component\Uid\Uuid;

/** How the columns of a table were matched that was read in once; the next one with the same heading is read alike. */
#[ORM\Entity]
class KnownTable extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        /** Of its heading. */
        #[ORM\Column(length: 64, unique: true)]
        public readonly string $signature,
        /** @var array{setupColumn: ?int, runColumn: ?int, readings: list<array{column: int, measure: string, unit: string}>} */
        #[ORM\Column(type: 'json')]
        public array $columns,
    ) {
        parent::__construct($id, $at);
    }

    public function match(): TableMatch
    {
        return new TableMatch($this->columns['setupColumn'], $this->columns['runColumn'], $this->columns['readings']);
    }
}
