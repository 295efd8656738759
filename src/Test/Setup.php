<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use App\Shelf\AgentStock;
use App\Shelf\Fitting;
use App\Shelf\PlateSide;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Units\Figure;
use Symfony\Component\Uid\Uuid;

/** One setup of a comparison: a fitting on a plate side, an agent or none, and the bed temperature. */
#[ORM\Entity]
class Setup extends Row
{
    public function __construct(
        Uuid $id,
        \DateTimeImmutable $createdAt,
        #[ORM\ManyToOne(inversedBy: 'setups'), ORM\JoinColumn(nullable: false)]
        public readonly Comparison $comparison,
        #[ORM\Column(length: 20)]
        public readonly string $label,
        #[ORM\Column]
        public readonly int $position,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly PlateSide $side,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Fitting $fitting,
        #[ORM\ManyToOne]
        public readonly ?AgentStock $agent,
        /** Null: unheated. */
        #[ORM\Column(nullable: true)]
        public readonly ?float $bedFirstC,
        #[ORM\Column(nullable: true)]
        public readonly ?float $bedOtherC,
    ) {
        parent::__construct($id, $createdAt);
    }

    public function name(): string
    {
        return \sprintf(
            '%s: %s, %s, %s',
            $this->label,
            $this->side->label(),
            $this->agent->name ?? 'bare',
            null === $this->bedFirstC ? 'unheated' : Figure::short($this->bedFirstC).' °C',
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id->toRfc4122(),
            'label' => $this->label,
            'name' => $this->name(),
            'plateSideId' => $this->side->id->toRfc4122(),
            'sideLabel' => $this->side->label(),
            'surfaceId' => $this->fitting->surfaceId,
            'agentId' => $this->agent?->id->toRfc4122(),
            'agentName' => $this->agent?->name,
            'agentKindId' => $this->agent?->kindId,
            'bedFirstC' => $this->bedFirstC,
            'bedOtherC' => $this->bedOtherC,
        ];
    }
}
