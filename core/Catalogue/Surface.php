<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;

/** A kind of build surface. */
final readonly class Surface
{
    /** A wash every 5 to 10 prints is usual (common practice); this is the latest. */
    public const WASH_PRINTS = 10;
    /** The cleaner of what is renewed and not washed. */
    public const FRESH_LAYER = 'fresh_layer';

    /**
     * @param list<CatalogueText>        $cautions
     * @param list<string>               $cleaners cleaner ids, the usual one first
     * @param list<string>               $harmedBy cleaners and solvents that spoil it
     * @param list<array{string, float}> $plate    what a plate of this kind is usually made of: layer material and mm, from below
     */
    public function __construct(
        public string $id,
        public CatalogueText $name,
        /** For filament; else for resin. */
        public bool $filament,
        public CatalogueText $grip,
        /** The most the surface stands, °C; null: nobody has found out, and its maker's limit is noted at the sheet. */
        public ?float $limitC,
        public bool $flexes,
        /** Whether the plate may go into a freezer. */
        public bool $freezes,
        public CatalogueText $cleaning,
        public string $finish,
        public CatalogueText $releaseWay,
        /** What it costs to pull a part off hot. */
        public CatalogueText $doneHot,
        public array $cautions,
        public array $cleaners,
        public array $harmedBy,
        /** Null: any strength. */
        public ?float $alcoholMaxPercent,
        /** The hottest first-layer nozzle it stands, °C; null: any. */
        public ?float $nozzleLimitC,
        public bool $raftRequired,
        /** Known not to trigger an inductive probe. */
        public bool $blindsInductiveProbe,
        public int $lifePrints,
        public array $plate,
        public Basis $basis,
        /** Its kind is scuffed before first use. */
        public bool $wantsScuff = false,
        /** Practice runs it with the bed left off, where the material is known to hold so. */
        public bool $worksCold = false,
        /** It is washed after so many prints at the latest. */
        public int $washPrints = self::WASH_PRINTS,
        /** Each wipe with alcohol takes a little of it. */
        public bool $alcoholWears = false,
        /** How long it usually lasts, months; null: it is prints that wear it. */
        public ?float $lifeMonths = null,
    ) {
    }

    /** Whether a cleaner or solvent does it no harm. */
    public function bears(string $cleanerId): bool
    {
        return !\in_array($cleanerId, $this->harmedBy, true);
    }

    public function textured(): bool
    {
        return 'texture' === $this->finish || 'pattern' === $this->finish;
    }
}
