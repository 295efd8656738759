<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Wear\SideHistory;
use Sitzplatz\Words\Sentence;

/** All that is known where something is wrong; null: not known, or not said. */
final readonly class Circumstances
{
    public function __construct(
        public ?Surface $surface = null,
        /** What the side has seen. */
        public ?SideHistory $side = null,
        /** Since it was printed on last. */
        public ?int $daysStanding = null,
        /** How many prints its coat lasts there. */
        public ?int $coatLasts = null,
        /** Between the material and the surface. */
        public ?Pairing $pairing = null,
        /** The printer was levelled, got a nozzle or crashed since the plate last held. */
        public bool $changedSinceHeld = false,
        public ?bool $enclosed = null,
        public ?bool $boardHeater = null,
        public ?bool $heldByMagnets = null,
        public ?bool $bedMoves = null,
        public ?float $plateMm = null,
        public ?float $roomC = null,
        /** Of the lot. */
        public ?int $driedDaysAgo = null,
        /** How long the material stays dry in a room, days; null: it does not care. */
        public ?int $staysDryDays = null,
        public ?int $lotOpenedDaysAgo = null,
        /** @var list<Lesson> what own prints have shown of this sheet, printer, time since its last change, or lot, where it holds less than its like */
        public array $worse = [],
        /** Where on the plate it fails. */
        public ?FailedWhere $where = null,
        /** What the part wants around its foot; null: it was not read. */
        public ?bool $wantsFoot = null,
        /** Why. */
        public ?Sentence $footWhy = null,
    ) {
    }

    public function coated(): bool
    {
        return null !== $this->side?->coatedAt;
    }

    /** Of the coat that is on, for the pair; null: bare, or nobody knows. */
    public function roleOfCoat(): ?AgentRole
    {
        return null === $this->side?->coatAgentKindId ? null : $this->pairing?->treatment($this->side->coatAgentKindId)?->role;
    }

    /** What the coat that is on costs in hold against bare, as a share; null: it is not known. */
    public function coatCosts(): ?float
    {
        $bare = $this->pairing?->treatment(null);
        $coated = null === $this->side?->coatAgentKindId ? null : $this->pairing?->treatment($this->side->coatAgentKindId);

        return null === $bare || null === $coated ? null : $bare->hold->share() - $coated->hold->share();
    }

    /** Whether an agent would hold better than bare on the pair; null: the pair is not known. */
    public function gripHelps(): ?bool
    {
        if (null === $this->pairing) {
            return null;
        }
        $bare = $this->pairing->treatment(null)?->hold->share() ?? 0.0;
        foreach ($this->pairing->treatments as $treatment) {
            if (AgentRole::Grip === $treatment->role && $treatment->hold->share() > $bare + 1e-9) {
                return true;
            }
        }

        return false;
    }
}
