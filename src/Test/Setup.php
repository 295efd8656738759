<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Database\Row;
use App\Shelf\AgentStock;
use App\Shelf\Fitting;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use Doctrine\ORM\Mapping as ORM;
use Sitzplatz\Test\BarEnds;
use Sitzplatz\Test\OwnFactors;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** One setup of a comparison: a fitting on a plate side, an agent or none, the bed temperature or exposure, and the first layer. */
#[ORM\Entity]
class Setup extends Row
{
    /** Chance that it holds, as it was expected when the plan was made; null: nothing was. */
    #[ORM\Column(nullable: true)]
    public ?float $expectedHold = null;

    /** Chance that it lets go, likewise. */
    #[ORM\Column(nullable: true)]
    public ?float $expectedRelease = null;

    /**
     * What moved both, on log-odds, by name.
     *
     * @var array<string, float>|null
     */
    #[ORM\Column(nullable: true)]
    public ?array $measures = null;

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
        $this->lot = $comparison->lot;
        $this->materialId = $comparison->materialId;
        $this->nozzleFirstC = $comparison->nozzleFirstC;
        $this->gapMm = $comparison->gapMm;
        $this->speedMmS = $comparison->firstLayerSpeedMmS();
        $this->brim = $comparison->brim();
    }

    /** What this setup has of its own, where the comparison holds it constant for the others. */
    public function vary(OwnFactors $own, ?Lot $lot): void
    {
        $this->lot = $lot ?? $this->lot;
        $this->materialId = $this->lot->materialId;
        $this->nozzleFirstC = $own->nozzleFirstC ?? $this->nozzleFirstC;
        $this->gapMm = $own->gapMm ?? $this->gapMm;
        $this->speedMmS = $own->speedMmS ?? $this->speedMmS;
        $this->brim = $own->brim ?? $this->brim;
        $this->exposureS = $own->exposureS;
        $this->takenHot = $own->takenHot;
        $this->ends = $own->ends;
    }

    /** What of it differs from what its comparison holds constant. */
    public function own(): OwnFactors
    {
        $comparison = $this->comparison;

        return new OwnFactors(
            $this->gapMm === $comparison->gapMm ? null : $this->gapMm,
            $this->nozzleFirstC === $comparison->nozzleFirstC ? null : $this->nozzleFirstC,
            $this->speedMmS === $comparison->firstLayerSpeedMmS() ? null : $this->speedMmS,
            $this->brim === $comparison->brim() ? null : $this->brim,
            $this->exposureS,
            $this->takenHot,
            $this->ends,
        );
    }

    /** Of the comparison, or its own. */
    #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
    public Lot $lot;

    /** From the catalogue. */
    #[ORM\Column(length: 40)]
    public string $materialId;

    /** In the first layer, of the comparison or its own, like what follows. */
    #[ORM\Column(nullable: true)]
    public ?float $nozzleFirstC;

    #[ORM\Column(nullable: true)]
    public ?float $gapMm;

    #[ORM\Column]
    public float $speedMmS;

    #[ORM\Column(length: 60)]
    public string $brim;

    /** Of the bottom layers of a resin, s; null: a filament, or nobody said. */
    #[ORM\Column(nullable: true)]
    public ?float $exposureS = null;

    /** Its parts are taken off while the bed is at print temperature. */
    #[ORM\Column]
    public bool $takenHot = false;

    /** Of the bar that it is tried with; null: as the test piece of its comparison has them. */
    #[ORM\Column(length: 10, nullable: true, enumType: BarEnds::class)]
    public ?BarEnds $ends = null;

    /**
     * That it is tried though practice rules it out.
     *
     * @var array{why: string, by: string, at: string}|null
     */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $riskTaken = null;

    /** @param array{hold: float, release: float, measures: array<string, float>}|null $expected */
    public function expect(?array $expected): void
    {
        $this->expectedHold = $expected['hold'] ?? null;
        $this->expectedRelease = $expected['release'] ?? null;
        $this->measures = $expected['measures'] ?? null;
    }

    public function name(): Sentence
    {
        $own = $this->own()->words($this->lot === $this->comparison->lot ? null : $this->lot->label);

        return Sentence::of(
            [] === $own ? 'setup.name' : 'setup.name_own',
            label: $this->label,
            side: $this->side->label(),
            agent: null === $this->agent ? Sentence::of('candidate.bare') : $this->agent->name,
            bed: match (true) {
                null !== $this->exposureS => Quantity::seconds($this->exposureS, 0.1),
                null === $this->bedFirstC => Sentence::of('setup.unheated'),
                null === $this->bedOtherC || abs($this->bedOtherC - $this->bedFirstC) < 0.05 => Quantity::celsius($this->bedFirstC),
                default => Sentence::of('setup.bed_changes', first: Quantity::celsius($this->bedFirstC), other: Quantity::celsius($this->bedOtherC)),
            },
            own: Listing::of($own, Joined::Comma),
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
            'lotId' => $this->lot === $this->comparison->lot ? null : $this->lot->id->toRfc4122(),
            'lotLabel' => $this->lot->label,
            ...$this->own()->toArray(),
            'expectedHold' => $this->expectedHold,
            'expectedRelease' => $this->expectedRelease,
            'riskTaken' => $this->riskTaken,
        ];
    }
}
