<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Catalogue\Surface;

/**
 * What may be done with a plate because of how it is built and held, whatever kind of surface lies on it: only a thin sheet
 * that comes off its printer is flexed or put into a freezer; what is glued to glass, to aluminium or to the bed is not
 * (common practice; trade notes, section 9).
 */
final readonly class PlateBuild
{
    /** Spring steel up to this is flexed by hand (common practice). */
    private const FLEXING_STEEL_MM = 1.0;
    /** What is glued to a bed takes so long to strip: warm, peel, take the glue off (common practice), minutes. */
    public const STRIP_MINUTES = 30.0;
    /** A foil of other metal; a sheet of it would take a bend and keep it (common practice). */
    private const FOIL_MM = 0.2;

    private function __construct(
        /** From its printer, to cool, wash or spray it. */
        public bool $comesOff,
        public bool $flexes,
        /** Whether it may go into a freezer. */
        public bool $freezes,
    ) {
    }

    /**
     * @param list<Layer> $layers none: they are not known, and the plate is taken to be as usual for its kind
     * @param bool        $fixed  to its printer
     */
    public static function of(Surface $surface, array $layers, bool $fixed): self
    {
        if ($fixed) {
            return new self(false, false, false);
        }
        if ([] === $layers) {
            return new self(true, $surface->flexes, $surface->freezes);
        }
        $sheet = false;
        foreach ($layers as $layer) {
            $of = $layer->of;
            if ($of->brittle || ($of->metal && $layer->thicknessMm > ($of->magnetic ? self::FLEXING_STEEL_MM : self::FOIL_MM))) {
                return new self(true, false, false);
            }
            $sheet = $sheet || ($of->metal && $of->magnetic);
        }

        return new self(true, $sheet || $surface->flexes, $sheet);
    }
}
