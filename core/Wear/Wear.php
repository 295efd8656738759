<?php

declare(strict_types=1);

namespace Sitzplatz\Wear;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\Surface;

/**
 * How long what lies on a plate serves, and what a print takes of it; asked by Care, Fix, Choose and Start. How many prints
 * a kind of surface or a coat lasts is in the catalogue.
 */
final class Wear
{
    /** What a wash is done with. */
    public const WASHES = ['soap', 'warm_water'];

    /** After how many prints it is washed at the latest: as the shop has it for this plate, else as is usual for its surface. */
    public static function printsPerWash(Surface $surface, ?int $own): int
    {
        return $own ?? $surface->washPrints;
    }

    public static function washIsDue(int $printsSinceWash, Surface $surface, ?int $own): bool
    {
        return $printsSinceWash >= self::printsPerWash($surface, $own);
    }

    public static function coatIsDue(int $printsOnCoat, Agent $agent, string $surfaceId): bool
    {
        return $printsOnCoat >= $agent->coatPrintsOn($surfaceId);
    }

    /** Dust of a plate that stood so long counts as dirt (common practice); the days are ours. */
    private const DUSTY_DAYS = 14;

    public static function dusty(int $daysStanding): bool
    {
        return $daysStanding >= self::DUSTY_DAYS;
    }

    /** Past what its kind usually lasts it may be worn; practice varies widely. */
    public static function surfaceMayBeWorn(int $printsOnSurface, Surface $surface): bool
    {
        return $printsOnSurface > $surface->lifePrints;
    }

    /** How old a sheet is, months; times are ISO 8601. */
    public static function monthsOld(?string $laidAt, string $now): ?float
    {
        return null === $laidAt ? null : max(0.0, ((float) strtotime($now) - (float) strtotime($laidAt)) / 86400 / (365.25 / 12));
    }

    /** Past nine tenths of it a new one is to be had in time (ours). */
    public static function nearlyWorn(int $printsOnSurface, Surface $surface): bool
    {
        return $printsOnSurface >= 0.9 * $surface->lifePrints;
    }

    /** In the shop's money; null: the price is not known. */
    public static function ofPlatePerPrint(?float $price, Surface $surface): ?float
    {
        return null === $price ? null : $price / $surface->lifePrints;
    }

    /** In the shop's money; null: the price or the number of coats is not known. */
    public static function ofACoat(?float $price, ?int $coats): ?float
    {
        return null === $price || null === $coats || 0 === $coats ? null : $price / $coats;
    }

    /**
     * In plate and agent, by how long a coat lasts on that surface; in the shop's money. Null: a price is not known, and half
     * a cost would be taken for the whole.
     *
     * @param float|null $plate       what the plate takes, as {@see ofPlatePerPrint} has it
     * @param Agent|null $agent       null: bare
     * @param float|null $costPerCoat as {@see ofACoat} has it
     */
    public static function perPrint(?float $plate, ?Agent $agent, ?float $costPerCoat, string $surfaceId): ?float
    {
        return match (true) {
            null === $plate => null,
            null === $agent => $plate,
            null === $costPerCoat => null,
            default => $plate + $costPerCoat / $agent->coatPrintsOn($surfaceId),
        };
    }
}
