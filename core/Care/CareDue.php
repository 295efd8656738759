<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Wear\SideHistory;
use Sitzplatz\Wear\Wear;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What a plate side is due for. */
final readonly class CareDue
{
    /**
     * @param Agent|null  $coat  the agent of the coat that is on it; null: bare, or an agent that nobody knows
     * @param Lesson|null $worse where own prints say that its sheet holds less than its like
     */
    public function __construct(
        private SideHistory $side,
        private ?Agent $coat,
        private Surface $surface,
        private ?Lesson $worse = null,
        private ?Catalogue $catalogue = null,
        /** ISO 8601; "": how old its sheet is does not matter here. */
        private string $now = '',
    ) {
    }

    /** @return list<Sentence> */
    public function sentences(): array
    {
        $due = [];
        if ($this->surface->wantsScuff && null === $this->side->scuffedAt) {
            $due[] = Sentence::of('care.first_use', surface: $this->surface->name);
        }
        $onCoat = $this->side->printsOnCoat;
        if (Wear::washIsDue($this->side->printsSinceWash, $this->surface, $this->side->washPrints) && !$this->washTakesAGoodCoat()) {
            $due[] = Sentence::of(
                \in_array(Surface::FRESH_LAYER, $this->surface->cleaners, true) ? 'care.fresh_layer' : 'care.wash',
                prints: Quantity::count($this->side->printsSinceWash),
            );
        }
        if (null !== $onCoat && null !== $this->coat && Wear::coatIsDue($onCoat, $this->coat, $this->surface->id)) {
            $due[] = Sentence::of(
                isset($this->coat->ownCoatPrints[$this->surface->id]) ? 'care.coat_by_own' : 'care.coat',
                prints: Quantity::count($onCoat),
                lasts: Quantity::count($this->coat->coatPrintsOn($this->surface->id)),
            );
        }
        // What keeps apart is renewed where it was stood on, after each print (common practice).
        $welds = null === $this->coat || 0 === ($onCoat ?? 0)
            ? null : $this->catalogue?->keptOff($this->surface->id, $this->coat->id, $this->side->materialsOnCoat);
        if (null !== $welds) {
            $due[] = Sentence::of('care.renew_spots', material: $welds->name);
        }
        $months = '' === $this->now ? null : Wear::monthsOld($this->side->laidAt, $this->now);
        if (null !== $months && null !== $this->surface->lifeMonths && $months > $this->surface->lifeMonths) {
            $due[] = Sentence::of('care.past_months', months: Quantity::count((int) $months), usual: Quantity::count((int) $this->surface->lifeMonths));
        }
        if (null !== $this->worse) {
            $due[] = $this->worse->told('care.holds_less');
        }

        return $due;
    }

    /** A wash would take off a coat that is good for more prints: it is due with the coat. */
    private function washTakesAGoodCoat(): bool
    {
        $onCoat = $this->side->printsOnCoat;

        return null !== $this->coat && null !== $onCoat && !Wear::coatIsDue($onCoat, $this->coat, $this->surface->id)
            && [] !== array_intersect($this->coat->removedBy, Wear::WASHES);
    }
}
