<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

use Sitzplatz\Catalogue\Grade;

/** How hard a pair holds per area, MPa: a middle and a span that it may lie in. */
final readonly class Strength
{
    private function __construct(
        public float $lowMpa,
        public float $middleMpa,
        public float $highMpa,
        /** Hot pulls that it rests on; 0: it rests on the grade of practice. */
        public int $ownPulls,
    ) {
    }

    /** What pull blocks of these grades usually show (from memory of bench tests; only good for an order of size). */
    public static function ofGrade(Grade $grade): self
    {
        return match ($grade) {
            Grade::Strong => new self(0.6, 1.5, 4.0, 0),
            Grade::Fair => new self(0.25, 0.7, 1.8, 0),
            Grade::Poor => new self(0.05, 0.2, 0.6, 0),
            Grade::Never => new self(0.0, 0.03, 0.1, 0),
        };
    }

    /**
     * Own hot pulls, force ÷ contact area. The span is where a further pull may fall: mean ± 2 standard deviations, and
     * never less than a tenth of the mean below. Lower bounds count as they are, which is on the safe side.
     *
     * @return self|null null with fewer than two pulls
     */
    public static function ofPulls(int $pulls, ?float $meanMpa, ?float $sdMpa): ?self
    {
        if ($pulls < 2 || null === $meanMpa || null === $sdMpa || $meanMpa <= 0) {
            return null;
        }

        return new self(max(0.1 * $meanMpa, $meanMpa - 2 * $sdMpa), $meanMpa, $meanMpa + 2 * $sdMpa, $pulls);
    }
}
