<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Words\Sentence;

/**
 * Where on the plate it fails, which tells causes apart: along one edge a draft or a tilt, in the corners fingers, on one spot
 * the coat or the wear of it, everywhere the gap or the lot (common practice; the sizes of the places are ours).
 */
enum FailedWhere: string
{
    case OneEdge = 'one_edge';
    case Corners = 'corners';
    case OneSpot = 'one_spot';
    case Everywhere = 'everywhere';

    /** As much of width or depth belongs to an edge. */
    private const EDGE = 0.3;
    /** So near each other is one spot, as a share of the plate. */
    private const SPOT = 0.2;
    /** Of all marks. */
    private const NEARLY_ALL = 0.8;
    /** Fewer say nothing. */
    private const LEAST = 3;

    /**
     * What the marks of a sheet say.
     *
     * @param list<array{x: float, y: float}> $marks as shares of width and depth, from the front left
     *
     * @return self|null null: there are too few
     */
    public static function ofMarks(array $marks): ?self
    {
        $count = \count($marks);
        if ($count < self::LEAST) {
            return null;
        }
        $share = static fn (\Closure $of): float => \count(array_filter($marks, $of)) / $count;
        $far = static fn (float $at): bool => $at < self::EDGE || $at > 1 - self::EDGE;
        $inCorners = $share(static fn (array $mark): bool => $far($mark['x']) && $far($mark['y']));
        foreach ($marks as $middle) {
            if ($share(static fn (array $mark): bool => hypot($mark['x'] - $middle['x'], $mark['y'] - $middle['y']) <= self::SPOT) >= self::NEARLY_ALL) {
                return self::OneSpot;
            }
        }
        foreach (['x', 'y'] as $axis) {
            foreach ([static fn (array $mark): bool => $mark[$axis] < self::EDGE, static fn (array $mark): bool => $mark[$axis] > 1 - self::EDGE] as $at) {
                if ($share($at) >= self::NEARLY_ALL) {
                    return self::OneEdge;
                }
            }
        }

        return $inCorners >= self::NEARLY_ALL ? self::Corners : self::Everywhere;
    }

    public function words(): Sentence
    {
        return Sentence::of("failed_where.$this->value");
    }
}
