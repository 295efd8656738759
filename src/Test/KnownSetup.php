<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use App\Shelf\AgentStock;
use App\Shelf\PlateSide;
use Doctrine\ORM\Mapping as ORM;
use Symfony\Component\Uid\Uuid;

/** What a table that was read in once called a setup: the side and the agent it meant, whatever letter they have in the next comparison. */
#[ORM\Entity]
class KnownSetup extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $at,
        #[ORM\Column(length: 200, unique: true)]
        public readonly string $given,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public PlateSide $side,
        #[ORM\ManyToOne]
        public ?AgentStock $agent,
    ) {
        parent::__construct($id, $at);
    }

    /** @return string|null its letter; null: the comparison has no such setup, or several */
    public function labelIn(Comparison $comparison): ?string
    {
        $meant = $comparison->setups->filter(fn (Setup $setup): bool => $setup->side === $this->side && $setup->agent === $this->agent);

        $first = $meant->first();

        return false !== $first && 1 === $meant->count() ? $first->label : null;
    }
}
