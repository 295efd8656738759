<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use App\Shelf\AgentStock;
use App\Shelf\Fitting;
use App\Shelf\PlateSide;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** One setup of a comparison: a fitting on a plate side, an agent or none, and the bed temperature. */
#[ORM\Entity]
class Setup extends Row
{
    /** Chance that it holds, as it was expected when the plan was made; null: nothing was. */
    #[ORM\Column(nullable: true)]
    public ?float $expectedHold = null;

    /** Chance that it lets go, likewise. */
    #[ORM\Column(nullable: true)]
    public ?float $expectedRelease = null;

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

    /** @param array{hold: float, release: float}|null $expected */
    public function expect(?array $expected): void
    {
        $this->expectedHold = $expected['hold'] ?? null;
        $this->expectedRelease = $expected['release'] ?? null;
    }

    public function name(): Sentence
    {
        return Sentence::of(
            'setup.name',
            label: $this->label,
            side: $this->side->label(),
            agent: null === $this->agent ? Sentence::of('candidate.bare') : $this->agent->name,
            bed: match (true) {
                null === $this->bedFirstC => Sentence::of('setup.unheated'),
                null === $this->bedOtherC || abs($this->bedOtherC - $this->bedFirstC) < 0.05 => Quantity::celsius($this->bedFirstC),
                default => Sentence::of('setup.bed_changes', first: Quantity::celsius($this->bedFirstC), other: Quantity::celsius($this->bedOtherC)),
            },
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
            'expectedHold' => $this->expectedHold,
            'expectedRelease' => $this->expectedRelease,
        ];
    }
}
