<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** Of which one of each {@see EffectKind} something is printed: a printer, a lot, a side and so on, by their ids. */
final readonly class Levels
{
    public const USE = 'use';
    public const TEST = 'test';
    /** A lot that somebody will take from the shelf. */
    public const SOME_LOT = '?';

    /**
     * @param string      $epoch of the printer, between two changes
     * @param string|null $lot   null: nobody said
     *
     * @return array<value-of<EffectKind>, string>
     */
    public static function ofJob(string $material, string $printer, string $epoch, ?string $lot, string $purpose): array
    {
        return [
            EffectKind::Printer->value => $printer,
            EffectKind::Epoch->value => "$printer\0$epoch",
            EffectKind::Purpose->value => $purpose,
        ] + (null === $lot ? [] : [EffectKind::Lot->value => EffectKind::Lot->level($material, $lot)]);
    }

    /**
     * @param string $sheet that lies on the side
     *
     * @return array<value-of<EffectKind>, string>
     */
    public static function ofSide(string $material, string $side, string $sheet): array
    {
        return [EffectKind::Side->value => EffectKind::Side->level($material, $side), EffectKind::Sheet->value => $sheet];
    }

    /**
     * @param string|null $agent null: bare
     * @param bool        $chart whether nobody but its maker speaks of it
     *
     * @return array<value-of<EffectKind>, string>
     */
    public static function ofTreatment(string $material, string $surface, ?string $agent, bool $chart): array
    {
        $pair = $chart ? EffectKind::Chart : EffectKind::Pair;

        return [$pair->value => $pair->level($material, "$surface\0$agent")] + (null === $agent ? [] : [EffectKind::Agent->value => $agent]);
    }

    /** @return array<value-of<EffectKind>, string> */
    public static function ofSurface(string $surface): array
    {
        return [EffectKind::Surface->value => $surface];
    }
}
