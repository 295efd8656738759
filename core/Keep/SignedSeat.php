<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** What a signed profile stands for. */
final readonly class SignedSeat
{
    public function __construct(
        public string $materialId,
        /** Null: none that is here. */
        public ?string $printerId,
        /** Null: any of the kind. */
        public ?string $sideId,
        public string $surfaceId,
        /** Null: bare. */
        public ?string $agentId,
        public bool $trial,
        public bool $doubted,
    ) {
    }

    /** Whether it vouches for what was printed: validated, not in question, and with that very setup. */
    public function covers(Printed $printed): bool
    {
        return !$this->trial
            && !$this->doubted
            && $this->materialId === $printed->materialId
            && $this->printerId === $printed->printerId
            && $this->surfaceId === $printed->surfaceId
            && $this->agentId === $printed->agentId
            && (null === $this->sideId || $this->sideId === $printed->sideId);
    }
}
