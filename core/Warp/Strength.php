<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Statistics\StudentT;

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
     * Own hot pulls as stresses, drawn together. The span is where a further pull falls with 95 %, the prediction
     * interval x̄ ± t·s·√(1 + 1/n), and never less than a tenth of the mean below; with two pulls it is as wide as two
     * pulls deserve. Lower bounds count as they are, which is on the safe side.
     *
     * @param list<array{pulls: int, meanMpa: float, sdMpa: float}> $groups pulls on like pieces
     *
     * @return self|null null with fewer than two pulls
     */
    public static function ofPulls(array $groups): ?self
    {
        $pulls = array_sum(array_column($groups, 'pulls'));
        if ($pulls < 2) {
            return null;
        }
        $mean = array_sum(array_map(static fn (array $g): float => $g['pulls'] * $g['meanMpa'], $groups)) / $pulls;
        if ($mean <= 0) {
            return null;
        }
        // Squares within the groups, and between them.
        $squares = array_sum(array_map(
            static fn (array $g): float => max(0, $g['pulls'] - 1) * $g['sdMpa'] ** 2 + $g['pulls'] * ($g['meanMpa'] - $mean) ** 2,
            $groups,
        ));
        $reach = (new StudentT($pulls - 1))->quantile(0.975) * sqrt($squares / ($pulls - 1) * (1 + 1 / $pulls));

        return new self(max(0.1 * $mean, $mean - $reach), $mean, $mean + $reach, $pulls);
    }
}
