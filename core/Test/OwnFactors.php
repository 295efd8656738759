<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What one setup of a comparison has of its own, beyond plate, agent and bed; null: as is held constant. */
final readonly class OwnFactors
{
    public function __construct(
        /** Of the first layer, mm. */
        public ?float $gapMm = null,
        /** In the first layer, °C. */
        public ?float $nozzleFirstC = null,
        /** Of the first layer, mm/s. */
        public ?float $speedMmS = null,
        public ?string $brim = null,
        /** Of the bottom layers of a resin, s. */
        public ?float $exposureS = null,
        /** Its parts are taken off while the bed is at print temperature. */
        public bool $takenHot = false,
        /** Of a bar; null: as the test piece of the plan has them. */
        public ?BarEnds $ends = null,
    ) {
    }

    /** @param array<string, mixed> $said gapMm, nozzleFirstC, speedMmS, brim, exposureS, takenHot, ends; what is missing is as is held constant */
    public static function of(array $said): self
    {
        $number = static fn (string $name): ?float => is_numeric($said[$name] ?? null) ? (float) $said[$name] : null;
        $brim = $said['brim'] ?? null;

        return new self(
            $number('gapMm'),
            $number('nozzleFirstC'),
            $number('speedMmS'),
            \is_string($brim) ? $brim : null,
            $number('exposureS'),
            true === ($said['takenHot'] ?? false),
            \is_string($said['ends'] ?? null) ? BarEnds::tryFrom($said['ends']) : null,
        );
    }

    /** @return list<Phrase> of each that differs, the exposure apart */
    public function words(?string $lot): array
    {
        return array_values(array_filter([
            null === $lot ? null : Sentence::of('setup.own.lot', lot: $lot),
            null === $this->gapMm ? null : Sentence::of('setup.own.gap', gap: Quantity::millimetres($this->gapMm)),
            null === $this->nozzleFirstC ? null : Sentence::of('setup.own.nozzle', nozzle: Quantity::celsius($this->nozzleFirstC)),
            null === $this->speedMmS ? null : Sentence::of('setup.own.speed', speed: Quantity::millimetresPerSecond($this->speedMmS)),
            null === $this->brim ? null : Sentence::of('setup.own.brim', brim: $this->brim),
            $this->takenHot ? Sentence::of('setup.own.taken_hot') : null,
            $this->ends?->words(),
        ]));
    }

    /** @return array{gapMm: ?float, nozzleFirstC: ?float, speedMmS: ?float, brim: ?string, exposureS: ?float, takenHot: bool, ends: ?string} */
    public function toArray(): array
    {
        return [
            'gapMm' => $this->gapMm,
            'nozzleFirstC' => $this->nozzleFirstC,
            'speedMmS' => $this->speedMmS,
            'brim' => $this->brim,
            'exposureS' => $this->exposureS,
            'takenHot' => $this->takenHot,
            'ends' => $this->ends?->value,
        ];
    }
}
