<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Question;

use Sitzplatz\Catalogue\Ladder;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Window;

/** From where the setups of a plan are laid out. */
final readonly class PlanStart
{
    /**
     * @param non-empty-list<SetupDraft> $given        picked by hand, or what looks best here
     * @param list<string>               $gripAgentIds stock that is known to give grip to the first setup, the surest first
     * @param list<string>               $otherLotIds  lots of the material of the plan beside the plan's own
     */
    public function __construct(
        public array $given,
        /** What practice knows of the first setup; null: nothing. */
        public ?Pairing $pairing = null,
        /** What the display shows above the surface of the first setup, K. */
        public float $displayAboveK = 0.0,
        /** As it is held constant, mm; null: not measured. */
        public ?float $gapMm = null,
        public array $gripAgentIds = [],
        public array $otherLotIds = [],
        /** What a brim is called by whoever asks; "": none is to be tried. */
        public string $foothold = '',
        /** In which order the shop tries what may help. */
        public Ladder $ladder = Ladder::HeatFirst,
        /** No heated bed is colder, °C. */
        public float $roomC = 20.0,
    ) {
    }

    public function first(): SetupDraft
    {
        return $this->given[0];
    }

    public function window(): ?Window
    {
        return $this->pairing?->window;
    }

    /** Too near a gap welds the pair. */
    public function bonds(): bool
    {
        return $this->pairing->bonds ?? false;
    }
}
