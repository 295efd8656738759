<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

/** Under which conditions a setup is used or was tried; what evidence is matched on. Temperatures in °C, lengths in mm, times in s. */
final readonly class Conditions
{
    /** Nobody sets or measures any finer. */
    private const SAME_C = 0.05;
    private const SAME_MM = 0.0005;
    private const SAME_S = 0.05;
    private const SAME_MM_S = 0.5;

    public function __construct(
        public string $materialId,
        public string $lotId,
        public string $printerId,
        /** The very sheet on the very side. */
        public string $fittingId,
        public string $surfaceId,
        /** Null: bare. */
        public ?string $agentKindId,
        /** Null: unheated. */
        public ?float $bedFirstC,
        /** After the first layer; null: unheated. */
        public ?float $bedOtherC,
        public float $nozzleMm,
        public ?float $nozzleFirstC,
        /** Of the first layer; null: not known. */
        public ?float $gapMm,
        /** What the gap is set with. */
        public string $feeler,
        /** Of the bottom layers of a resin, s; null: a filament, or not known. */
        public ?float $exposureS = null,
        /** Of the first layer, mm/s; null: not known. */
        public ?float $speedMmS = null,
        /** What the part has around its foot, in somebody's own words. */
        public string $brim = '',
        /** What else stands on the plate, in one order. */
        public string $also = '',
    ) {
    }

    /**
     * Whether runs under these conditions speak for a setup under those. Lot and sheet may differ where "any" is claimed;
     * the rest has to be the same, the bed after the first layer, nozzle, gap, speed and brim among it.
     */
    public function speakFor(self $wanted, bool $anyLot, bool $anyPlate): bool
    {
        return $this->materialId === $wanted->materialId
            && $this->printerId === $wanted->printerId
            && ($anyLot || $this->lotId === $wanted->lotId)
            && ($anyPlate ? $this->surfaceId === $wanted->surfaceId : $this->fittingId === $wanted->fittingId)
            && $this->agentKindId === $wanted->agentKindId
            && self::sameBed($this->bedFirstC, $wanted->bedFirstC)
            && self::same($this->bedOtherC, $wanted->bedOtherC, self::SAME_C)
            && self::same($this->nozzleMm, $wanted->nozzleMm, self::SAME_MM)
            && self::same($this->nozzleFirstC, $wanted->nozzleFirstC, self::SAME_C)
            && self::same($this->gapMm, $wanted->gapMm, self::SAME_MM)
            && self::sameExposure($this->exposureS, $wanted->exposureS)
            && self::same($this->speedMmS, $wanted->speedMmS, self::SAME_MM_S)
            && mb_strtolower(trim($this->brim)) === mb_strtolower(trim($wanted->brim))
            && $this->also === $wanted->also
            && $this->feeler === $wanted->feeler;
    }

    /** °C on the display; null: unheated. */
    public static function sameBed(?float $one, ?float $other): bool
    {
        return self::same($one, $other, self::SAME_C);
    }

    /** s, of the bottom layers of a resin; null: none. */
    public static function sameExposure(?float $one, ?float $other): bool
    {
        return self::same($one, $other, self::SAME_S);
    }

    private static function same(?float $a, ?float $b, float $within): bool
    {
        return null === $a || null === $b ? $a === $b : abs($a - $b) <= $within;
    }
}
