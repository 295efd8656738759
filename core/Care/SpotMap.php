<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Test\MarkKind;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * A plate as fields: where parts have stood, where the coat is used up or torn, where it is damaged, and where the next part
 * goes. An agent's life is counted by spot, and parts are spread over the plate (common practice; trade notes, section 10).
 */
final readonly class SpotMap
{
    private const COLUMNS = 6;
    private const LEAST_ROWS = 3;
    private const MOST_ROWS = 9;
    /** What a field at the very corner costs against one in the middle, in shares of a coat's life: corners fail first (ours). */
    private const CORNER = 0.35;
    /** What a field that has seen as much as the most used one costs (ours). */
    private const USED = 0.5;

    /** @param list<SpotUse> $fields row by row from the front left */
    private function __construct(
        public int $columns,
        public int $rows,
        public array $fields,
        /** Where the next part goes; null: no field is sound. */
        public ?SpotUse $next,
        /** Why there. */
        public Sentence $why,
    ) {
    }

    /**
     * @param list<PlacedPrints>                                            $prints
     * @param list<array{kind: MarkKind, x: float, y: float, onCoat: bool}> $marks  of this sheet
     * @param int|null                                                      $lasts  prints that a coat lasts; null: it is bare
     */
    public static function of(array $prints, array $marks, ?int $lasts, float $widthMm, float $depthMm, bool $round = false): self
    {
        $rows = self::rows($widthMm, $depthMm);
        $count = self::COLUMNS * $rows;
        $all = array_replace(array_fill(0, $count, 0), self::byField($prints, $rows, static fn (PlacedPrints $each): int => $each->times));
        $onCoat = array_replace(array_fill(0, $count, 0), self::byField($prints, $rows, static fn (PlacedPrints $each): int => $each->onCoat));
        $damaged = $torn = array_fill(0, $count, false);
        foreach ($marks as $mark) {
            $field = self::field($mark['x'], $mark['y'], $rows);
            $damaged[$field] = $damaged[$field] || MarkKind::Damage === $mark['kind'];
            $torn[$field] = $torn[$field] || (MarkKind::Torn === $mark['kind'] && $mark['onCoat']);
        }
        $fields = [];
        for ($i = 0; $i < $count; ++$i) {
            $fields[] = new SpotUse(
                ($i % self::COLUMNS + 0.5) / self::COLUMNS,
                (intdiv($i, self::COLUMNS) + 0.5) / $rows,
                $all[$i],
                $onCoat[$i],
                $damaged[$i],
                $torn[$i],
            );
        }
        $next = self::next($fields, $lasts, $round);

        return new self(self::COLUMNS, $rows, $fields, $next, match (true) {
            null === $next => Sentence::of('spot_map.none_sound'),
            null === $lasts => Sentence::of('spot_map.least_used', prints: Quantity::count($next->prints)),
            default => Sentence::of('spot_map.coat_left', prints: Quantity::count($next->onCoat), lasts: Quantity::count($lasts)),
        });
    }

    /**
     * The prints on the coat where it is most used.
     *
     * @param list<PlacedPrints> $prints
     */
    public static function mostOnCoat(array $prints, float $widthMm, float $depthMm): int
    {
        return max([0, ...array_values(self::byField($prints, self::rows($widthMm, $depthMm), static fn (PlacedPrints $each): int => $each->onCoat))]);
    }

    private static function rows(float $widthMm, float $depthMm): int
    {
        return max(self::LEAST_ROWS, min(self::MOST_ROWS, (int) round(self::COLUMNS * $depthMm / max(1.0, $widthMm))));
    }

    /**
     * @param list<PlacedPrints>          $prints
     * @param \Closure(PlacedPrints): int $count
     *
     * @return array<int, int> of the fields that any stood in
     */
    private static function byField(array $prints, int $rows, \Closure $count): array
    {
        $sums = [];
        foreach ($prints as $each) {
            // Of several parts in one field each print counts once there.
            foreach (array_unique(array_map(static fn (array $place): int => self::field($place['x'], $place['y'], $rows), $each->places)) as $field) {
                $sums[$field] = ($sums[$field] ?? 0) + $count($each);
            }
        }

        return $sums;
    }

    private static function field(float $x, float $y, int $rows): int
    {
        $at = static fn (float $share, int $of): int => max(0, min($of - 1, (int) floor($share * $of)));

        return $at($y, $rows) * self::COLUMNS + $at($x, self::COLUMNS);
    }

    /** @param list<SpotUse> $fields */
    private static function next(array $fields, ?int $lasts, bool $round): ?SpotUse
    {
        $most = max(1, ...array_map(static fn (SpotUse $field): int => $field->prints, $fields));
        $best = null;
        $least = \INF;
        foreach ($fields as $field) {
            $off = hypot($field->x - 0.5, $field->y - 0.5) / hypot(0.5, 0.5);
            if ($field->damaged || $field->torn || (null !== $lasts && $field->onCoat >= $lasts) || ($round && $off > 0.7)) {
                continue;
            }
            $cost = (null === $lasts ? 0.0 : $field->onCoat / $lasts) + self::USED * $field->prints / $most + self::CORNER * $off ** 2;
            if ($cost < $least - 1e-9) {
                [$best, $least] = [$field, $cost];
            }
        }

        return $best;
    }
}
