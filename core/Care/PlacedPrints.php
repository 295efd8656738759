<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Test\PlatePlaces;
use Sitzplatz\Test\PlateSpot;

/** So many prints whose parts stood at the same places of a plate. */
final readonly class PlacedPrints
{
    /** @param list<array{place: int, x: float, y: float}> $places as shares of width and depth, from the front left */
    private function __construct(public array $places, public int $times, public int $onCoat)
    {
    }

    /**
     * @param int            $parts  on the plate
     * @param PlateSpot|null $spot   of a single part; null: nobody said, and it is taken to have stood in the middle, where a
     *                               slicer puts it (common practice)
     * @param int            $onCoat of them, on the coat that is on now
     */
    public static function of(int $parts, ?PlateSpot $spot, int $times, int $onCoat, float $widthMm, float $depthMm): self
    {
        return new self($parts > 1 ? PlatePlaces::of($parts, $widthMm, $depthMm) : [($spot ?? PlateSpot::Middle)->at()], $times, $onCoat);
    }

    /**
     * Of a list such as "1,,12;4,,2": parts, spot of a single one and how many prints of the coat stood so; what nobody said is
     * empty.
     *
     * @return list<self>
     */
    public static function listed(string $list, float $widthMm, float $depthMm): array
    {
        $prints = [];
        foreach ('' === $list ? [] : explode(';', $list) as $each) {
            [$parts, $spot, $times] = explode(',', $each);
            $prints[] = self::of((int) $parts, '' === $spot ? null : PlateSpot::from((int) $spot), (int) $times, (int) $times, $widthMm, $depthMm);
        }

        return $prints;
    }
}
