<?php

declare(strict_types=1);

namespace App\Judge;

use App\Platform\Database\Row;
use App\Test\Comparison;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** A judgement as it was when the comparison was closed: which runs, which inputs, which catalogue, which core. */
#[ORM\Entity]
class VerdictRecord extends Row
{
    /**
     * @param array<string, mixed> $judgement
     * @param list<string>         $runIds
     */
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Comparison $comparison,
        #[ORM\Column(length: 80)]
        public readonly string $judgedBy,
        #[ORM\Column(type: 'uuid', nullable: true)]
        public readonly ?Uuid $judgedById,
        #[ORM\Column(type: 'json')]
        public readonly array $judgement,
        #[ORM\Column(type: 'json')]
        public readonly array $runIds,
        #[ORM\Column(length: 16)]
        public readonly string $catalogueDigest,
        #[ORM\Column(length: 20)]
        public readonly string $coreVersion,
    ) {
        parent::__construct($id, $at);
    }
}
