<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A family of filament or resin. Temperatures in °C. */
final readonly class Material
{
    /**
     * @param array{float, float}|null $glassTransitionC null for a resin
     * @param array{float, float}|null $bedC             null for a resin
     * @param array{float, float}|null $nozzleC          null for a resin
     * @param list<CatalogueText>      $notes
     */
    public function __construct(
        public string $id,
        public CatalogueText $name,
        public bool $filament,
        public ?array $glassTransitionC,
        public ?array $bedC,
        public ?array $nozzleC,
        /** Linear, 1/K. */
        public float $expansionPerK,
        public float $modulusMpa,
        public Enclosure $enclosure,
        public bool $fumes,
        public ?Drying $drying,
        public array $notes,
        public Basis $basis,
        /** Where it turns solid on cooling, if it crystallises, °C (from memory). */
        public ?float $crystallisesC = null,
    ) {
    }

    /** Whether it draws itself together by more than half a per cent on its way to a room of 20 °C (our own choice of line). */
    public function shrinksHard(): bool
    {
        return $this->expansionPerK * (($this->stiffensC() ?? 20.0) - 20.0) > 0.005;
    }

    /**
     * From where on it shrinks against itself, °C: the middle of the glass transition, or where it crystallises, as most
     * of the shrinkage comes with that. Null for a resin.
     */
    public function stiffensC(): ?float
    {
        return $this->crystallisesC ?? (null === $this->glassTransitionC ? null : ($this->glassTransitionC[0] + $this->glassTransitionC[1]) / 2);
    }

    /**
     * That a lot has taken up water since it was dried.
     *
     * @param int|null $driedDaysAgo null: not known
     *
     * @return Sentence|null null: it is dry enough, or nobody knows
     */
    public function wet(?int $driedDaysAgo): ?Sentence
    {
        return null === $this->drying || null === $driedDaysAgo || $driedDaysAgo <= $this->drying->goodDays ? null : Sentence::of(
            'job.wet',
            days: Quantity::count($driedDaysAgo),
            material: $this->name,
            good: Quantity::count($this->drying->goodDays),
            dry: Quantity::seconds(3600 * $this->drying->hours),
            at: Quantity::celsius($this->drying->celsius),
        );
    }
}
