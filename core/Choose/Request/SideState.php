<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Request;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Choose\Expectation\Influence;
use Sitzplatz\Choose\Order\Step;
use Sitzplatz\Evidence\Change;
use Sitzplatz\Wear\SideHistory;
use Sitzplatz\Wear\Wear;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** How a side is today: what has been printed on it and done to it, and what has changed around it since. */
final readonly class SideState
{
    /** A plate that has stood so long has gathered dust, which counts as dirt, days (our own choice). */
    private const DUSTY_DAYS = 14.0;

    public function __construct(
        public int $printsSinceWash = 0,
        /** Since it was last washed, coated or printed on; null: not known. */
        public ?float $daysStanding = null,
        /** What lies on it; null: bare. */
        public ?Agent $coat = null,
        public int $printsOnCoat = 0,
        public bool $scuffed = true,
        public int $printsOnSurface = 0,
        /** Runs on this sheet after which damage was noted. */
        public int $damages = 0,
        /** Changes to the printer since the side was last seen to hold. */
        public int $changesSince = 0,
        /** After how many prints this plate is washed; null: as usual for its surface. */
        public ?int $washPrints = null,
    ) {
    }

    /**
     * @param list<Change> $changes of the printer of the job
     * @param float        $now     Unix seconds
     */
    public static function of(SideHistory $history, ?Agent $coat, array $changes, string $plateId, float $now): self
    {
        $seconds = static fn (?string $at): ?float => null === $at ? null : (float) strtotime($at);
        $touched = array_filter([$seconds($history->washedAt), $seconds($history->coatedAt), $seconds($history->lastPrintAt)]);
        $held = $seconds($history->lastHeldAt);

        return new self(
            $history->printsSinceWash,
            [] === $touched ? null : max(0.0, $now - max($touched)) / 86400,
            $coat,
            $history->printsOnCoat ?? 0,
            null !== $history->scuffedAt,
            $history->printsSinceFitting,
            $history->damages,
            null === $held ? 0 : self::questions($changes, $plateId, $held),
            $history->washPrints,
        );
    }

    /** @param list<Change> $changes */
    private static function questions(array $changes, string $plateId, float $endedAt): int
    {
        $count = 0;
        foreach ($changes as $change) {
            $count += $change->questions($plateId, $endedAt) ? 1 : 0;
        }

        return $count;
    }

    public function worn(Surface $surface): bool
    {
        return Wear::surfaceMayBeWorn($this->printsOnSurface, $surface);
    }

    /**
     * What cannot be put right before printing; it comes off the chance.
     *
     * @return list<Influence>
     */
    public function influences(Surface $surface): array
    {
        $life = $this->printsOnSurface / $surface->lifePrints;

        return array_values(array_filter([
            $this->worn($surface) ? new Influence('worn', -0.5 - 0.5 * min(3.0, $life - 1), 0.0, Sentence::of(
                'influence.worn',
                prints: Quantity::count($this->printsOnSurface),
                usual: Quantity::count($surface->lifePrints),
            )) : null,
            $this->damages > 0 ? new Influence('damaged', -0.5 * min(4, $this->damages), -0.5 * min(4, $this->damages), Sentence::of(
                'influence.damaged',
                times: Quantity::count($this->damages),
            )) : null,
            $this->changesSince > 0 ? new Influence('changed', -0.3 * min(4, $this->changesSince), -0.15 * min(4, $this->changesSince), Sentence::of(
                'influence.changed',
                changes: Quantity::count($this->changesSince),
            )) : null,
        ]));
    }

    /**
     * What is to be done to it before it may be printed on, bare or with an agent. The chance is that of the side with
     * this done; each step says what is lost without it.
     *
     * @param bool $barrier it keeps apart what would bond for good
     *
     * @return list<Step>
     */
    public function steps(Surface $surface, ?Agent $agent, bool $barrier = false): array
    {
        $other = null !== $this->coat && $this->coat->id !== $agent?->id;
        $spent = !$other && null !== $agent && $this->coat?->id === $agent->id && Wear::coatIsDue($this->printsOnCoat, $agent, $surface->id);
        $dirty = Wear::washIsDue($this->printsSinceWash, $surface, $this->washPrints);
        $dusty = !$dirty && null !== $this->daysStanding && $this->daysStanding >= self::DUSTY_DAYS;
        $wash = match (true) {
            $other => Sentence::of('step.strip', agent: $this->coat->name, cleaners: self::cleaners($this->coat, $surface)),
            $spent => Sentence::of('step.strip_spent', prints: Quantity::count($this->printsOnCoat), cleaners: self::cleaners($agent, $surface)),
            $dirty && null === $this->coat => Sentence::of('step.wash', prints: Quantity::count($this->printsSinceWash)),
            default => null,
        };
        $coated = null !== $agent && $this->coat?->id === $agent->id && !$spent;

        return array_values(array_filter([
            null === $wash ? null : new Step('wash', $wash, $other ? -2.0 : -0.06 * min(40, $this->printsSinceWash)),
            $dusty && null === $wash ? new Step('wipe', Sentence::of('step.wipe', days: Quantity::count((int) $this->daysStanding)), -0.3) : null,
            $surface->wantsScuff && !$this->scuffed ? new Step('scuff', Sentence::of('step.scuff', surface: $surface->name), -1.0) : null,
            null === $agent || $coated ? null : new Step('coat', Sentence::of('step.coat', agent: $agent->name), 0.0),
            $coated && $barrier && $this->printsOnCoat > 0 ? new Step('renew', Sentence::of('step.renew', agent: $agent->name), 0.0) : null,
            $coated ? new Step('coated', Sentence::of(
                'step.coated',
                agent: $agent->name,
                prints: Quantity::count($this->printsOnCoat),
                lasts: Quantity::count($agent->coatPrintsOn($surface->id)),
            ), 0.0) : null,
        ]));
    }

    /** What takes an agent off and does the surface no harm. */
    private static function cleaners(Agent $agent, Surface $surface): Listing
    {
        return Listing::of(
            array_map(
                CatalogueText::ofCleaner(...),
                array_values(array_filter($agent->removedBy, $surface->bears(...))),
            ),
            Joined::Or,
        );
    }
}
