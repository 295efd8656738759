<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Test\BarEnds;
use Sitzplatz\Test\OwnFactors;

/** A setup while a plan is made. Temperatures on the display. */
final readonly class SetupDraft
{
    public function __construct(
        public string $sideId,
        /** Null: bare. */
        public ?string $agentId,
        /** Null: unheated, or not said yet. */
        public ?float $bedFirstC,
        public ?float $bedOtherC,
        public bool $unheated = false,
        public OwnFactors $own = new OwnFactors(),
        /** Null: the lot of the plan. */
        public ?string $lotId = null,
    ) {
    }

    /** The bed after the first layer is lowered or raised along. */
    public function atBed(float $bedC): self
    {
        $after = null === $this->bedFirstC || null === $this->bedOtherC ? $bedC : $this->bedOtherC + $bedC - $this->bedFirstC;

        return new self($this->sideId, $this->agentId, $bedC, $after, false, $this->own, $this->lotId);
    }

    public function withAgent(string $agentId): self
    {
        return new self($this->sideId, $agentId, $this->bedFirstC, $this->bedOtherC, $this->unheated, $this->own, $this->lotId);
    }

    public function bare(): self
    {
        return new self($this->sideId, null, $this->bedFirstC, $this->bedOtherC, $this->unheated, $this->own, $this->lotId);
    }

    public function ofLot(?string $lotId): self
    {
        return new self($this->sideId, $this->agentId, $this->bedFirstC, $this->bedOtherC, $this->unheated, $this->own, $lotId);
    }

    public function with(?float $gapMm = null, ?string $brim = null, ?float $exposureS = null, ?bool $takenHot = null, ?BarEnds $ends = null): self
    {
        return new self($this->sideId, $this->agentId, $this->bedFirstC, $this->bedOtherC, $this->unheated, new OwnFactors(
            $gapMm ?? $this->own->gapMm,
            $this->own->nozzleFirstC,
            $this->own->speedMmS,
            $brim ?? $this->own->brim,
            $exposureS ?? $this->own->exposureS,
            $takenHot ?? $this->own->takenHot,
            $ends ?? $this->own->ends,
        ), $this->lotId);
    }
}
