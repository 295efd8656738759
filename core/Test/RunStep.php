<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** The steps of a run sheet that rules know. A part gives a hot pull or, after cooling, a cold one. */
enum RunStep: string implements SheetStep
{
    case Prepare = 'prepare';
    case HeatAndSoak = 'heat_and_soak';
    case Print = 'print';
    case FirstLayer = 'first_layer';
    case HotPull = 'hot_pull';
    case Cool = 'cool';
    case ColdPull = 'cold_pull';
    case Inspect = 'inspect';
    /** Of a resin, as the next one. */
    case Wash = 'wash';
    case Cure = 'cure';
    case Clean = 'clean';

    public function key(): string
    {
        return $this->value;
    }

    /**
     * The steps of a run in order; a part that came off or was lost in the print is not pulled. A resin printer has no bed to
     * heat, and nothing cools.
     *
     * @return list<self>
     */
    public static function sequence(PullKind $pull, bool $pullPossible = true, bool $filament = true): array
    {
        if (!$filament) {
            $off = $pullPossible ? [self::ColdPull, self::Wash, self::Cure] : [];

            return [self::Prepare, self::Print, self::FirstLayer, ...$off, self::Inspect, self::Clean];
        }

        $pulls = match (true) {
            !$pullPossible => [],
            PullKind::Hot === $pull => [self::HotPull],
            default => [self::Cool, self::ColdPull],
        };

        return [self::Prepare, self::HeatAndSoak, self::Print, self::FirstLayer, ...$pulls, self::Inspect, self::Clean];
    }

    public function occupiesPrinter(bool $plateFixed): bool
    {
        return match ($this) {
            self::Prepare, self::Wash, self::Cure => false,
            self::HeatAndSoak, self::Print, self::FirstLayer, self::HotPull, self::Cool => true,
            self::ColdPull, self::Inspect, self::Clean => $plateFixed,
        };
    }
}
