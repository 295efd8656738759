<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** An answered print for use: what was said of it when it began, and whether it held and let go. */
final readonly class ToldJob
{
    public function __construct(
        public string $materialId,
        public string $surfaceId,
        public string $sideId,
        /** Null: bare. */
        public ?string $agentKindId,
        /** On what it rested: proven, own, alike or practice. */
        public string $basis,
        public float $said,
        /** What practice alone would have said. */
        public float $practice,
        public bool $cameTrue,
    ) {
    }

    /** The same for all of one pair. */
    public function pair(): string
    {
        return $this->materialId.'/'.$this->surfaceId.'/'.$this->agentKindId;
    }

    /** The same for all of one material on one side with one agent. */
    public function setup(): string
    {
        return "$this->materialId/$this->sideId/$this->agentKindId";
    }
}
