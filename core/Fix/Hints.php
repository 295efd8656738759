<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Evidence\Learned\EffectKind;
use Sitzplatz\Wear\Wear;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What speaks for and against a cause before anybody looks. What is at work is common practice (trade notes, sections 6, 10,
 * 11 and 15); the factors are ours.
 */
final class Hints
{
    /** Below it practice adds to the bed. */
    private const COLD_ROOM_C = 18.0;
    /** A coat that so few prints stood on may have been put on wrong (ours). */
    private const JUST_PUT_ON = 1;
    /** From there on a plate lags behind its display. */
    private const THICK_MM = 3.0;
    /** What own prints have shown of a thing, with 90 % and more. */
    private const LEARNED = 2.5;
    /** A lot opened within it is another one than what held. */
    private const NEW_LOT_DAYS = 7;

    /** @return Hint|null null: what is known says nothing of the cause */
    public static function of(string $causeId, Circumstances $here): ?Hint
    {
        $known = self::known($causeId, $here);
        $learned = self::learned($causeId, $here);

        // What is seen there rules a cause out; else the stronger word counts, as both may come of the same.
        return null === $learned || (null !== $known && ($known->factor <= 0.0 || $known->factor >= $learned->factor)) ? $known : $learned;
    }

    /** Where own prints say that something there holds less than its like. */
    private static function learned(string $causeId, Circumstances $here): ?Hint
    {
        $kinds = match ($causeId) {
            'worn' => [EffectKind::Sheet],
            'gap_high', 'level' => [EffectKind::Printer, EffectKind::Epoch],
            'wet', 'other_lot' => [EffectKind::Lot],
            default => [],
        };
        foreach ($here->worse as $lesson) {
            if (\in_array($lesson->kind, $kinds, true)) {
                return new Hint(self::LEARNED, $lesson->told('fix.hint.learned.'.$lesson->kind->value));
            }
        }

        return null;
    }

    private static function known(string $causeId, Circumstances $here): ?Hint
    {
        return match ($causeId) {
            'dirt' => self::dirt($here),
            'gap_high', 'gap_near', 'level' => $here->changedSinceHeld ? new Hint(2.5, Sentence::of('fix.hint.changed')) : null,
            'bed_cold' => null !== $here->roomC && $here->roomC < self::COLD_ROOM_C
                ? new Hint(2.0, Sentence::of('fix.hint.cold_room', room: Quantity::celsius($here->roomC))) : null,
            'not_soaked' => null !== $here->plateMm && $here->plateMm >= self::THICK_MM
                ? new Hint(2.0, Sentence::of('fix.hint.thick', thick: Quantity::millimetres($here->plateMm, 0.1))) : null,
            'bed_lowered' => match ($here->boardHeater) {
                true => new Hint(2.0, Sentence::of('fix.hint.board_heater')),
                false => Hint::ruledOut(),
                null => null,
            },
            'coat_harms' => self::coatHarms($here),
            'coat_worn' => self::coatWorn($here),
            'coat_wrong' => self::coatWrong($here),
            'no_agent' => self::noAgent($here),
            'no_barrier' => self::noBarrier($here),
            'not_scuffed' => self::notScuffed($here),
            'wet' => self::wet($here),
            'other_lot' => null !== $here->lotOpenedDaysAgo && $here->lotOpenedDaysAgo <= self::NEW_LOT_DAYS
                ? new Hint(2.5, Sentence::of('fix.hint.new_lot', days: Quantity::count($here->lotOpenedDaysAgo))) : null,
            'draft' => true === $here->enclosed ? new Hint(0.2, Sentence::of('fix.hint.enclosed')) : null,
            'plate_loose' => match (true) {
                false === $here->heldByMagnets => new Hint(0.5, null),
                true === $here->bedMoves => new Hint(1.5, Sentence::of('fix.hint.bed_moves')),
                default => null,
            },
            'worn' => self::worn($here),
            'little_foot' => match ($here->wantsFoot) {
                true => new Hint(2.5, $here->footWhy),
                false => new Hint(0.4, $here->footWhy),
                null => null,
            },
            default => null,
        };
    }

    private static function dirt(Circumstances $here): ?Hint
    {
        $since = $here->side?->printsSinceWash;

        return match (true) {
            null === $since => null,
            0 === $since && null !== $here->daysStanding && Wear::dusty($here->daysStanding) => self::dusty($here->daysStanding, 0.8),
            0 === $since => new Hint(0.3, Sentence::of('fix.hint.washed')),
            null !== $here->surface && Wear::washIsDue($since, $here->surface, $here->side->washPrints) => new Hint(
                // Patterned film lives by its pattern: a trace of grease fills it (common practice).
                'pattern' === $here->surface->finish ? 3.0 : 2.0,
                Sentence::of(
                    'fix.hint.since_wash',
                    prints: Quantity::count($since),
                    usual: Quantity::count(Wear::printsPerWash($here->surface, $here->side->washPrints)),
                ),
            ),
            null !== $here->daysStanding && Wear::dusty($here->daysStanding) => self::dusty($here->daysStanding, 1.5),
            default => null,
        };
    }

    private static function dusty(int $days, float $factor): Hint
    {
        return new Hint($factor, Sentence::of('fix.hint.stood', days: Quantity::count($days)));
    }

    private static function coatHarms(Circumstances $here): Hint
    {
        if (null !== $here->side && !$here->coated()) {
            return Hint::ruledOut();
        }

        $costs = $here->coatCosts();
        $agent = $here->side->coatAgentName ?? '';

        return match (true) {
            null === $costs => new Hint(0.2, null),
            AgentRole::Harmful === $here->roleOfCoat() => new Hint(3.0, Sentence::of('fix.hint.coat_harms', agent: $agent)),
            $costs > 1e-9 => new Hint(3.5 * $costs, Sentence::of(
                'fix.hint.coat_costs',
                agent: $agent,
                bare: Quantity::share($here->pairing?->treatment(null)?->hold->share() ?? 0.0),
                coated: Quantity::share(($here->pairing?->treatment(null)?->hold->share() ?? 0.0) - $costs),
            )),
            default => Hint::ruledOut(),
        };
    }

    private static function coatWorn(Circumstances $here): ?Hint
    {
        $on = $here->side?->printsOnCoat;
        if (null !== $here->side && null === $on) {
            return Hint::ruledOut();
        }
        // A coat that has no business on this pair is washed off, and not renewed.
        if (\in_array($here->roleOfCoat(), [AgentRole::None, AgentRole::Harmful], true)) {
            return Hint::ruledOut();
        }
        if (null === $on || null === $here->coatLasts) {
            return null;
        }
        $said = ['prints' => Quantity::count($on), 'lasts' => Quantity::count($here->coatLasts)];

        return $on >= $here->coatLasts ? new Hint(3.0, Sentence::of('fix.hint.coat_used_up', ...$said))
            : new Hint($on <= $here->coatLasts / 2 ? 0.3 : 1.0, Sentence::of('fix.hint.coat_fresh', ...$said));
    }

    private static function coatWrong(Circumstances $here): ?Hint
    {
        if (null !== $here->side && !$here->coated()) {
            return Hint::ruledOut();
        }
        $on = $here->side?->printsOnCoat;

        return match (true) {
            null === $on => null,
            $on <= self::JUST_PUT_ON => new Hint(2.0, Sentence::of('fix.hint.coat_just_put_on', agent: $here->side->coatAgentName ?? '')),
            default => new Hint(0.3, null),
        };
    }

    private static function noAgent(Circumstances $here): ?Hint
    {
        return match (true) {
            AgentRole::Grip === $here->roleOfCoat(), false === $here->gripHelps() => Hint::ruledOut(),
            true === $here->gripHelps() && null !== $here->side => new Hint(1.5, Sentence::of('fix.hint.grip_known')),
            default => null,
        };
    }

    private static function noBarrier(Circumstances $here): ?Hint
    {
        $barrier = null === $here->side?->coatAgentKindId ? null : $here->pairing?->treatment($here->side->coatAgentKindId)?->barrier;

        return match (true) {
            true === $barrier => new Hint(0.2, null),
            true === $here->pairing?->bonds => new Hint(3.0, Sentence::of('fix.hint.bonds')),
            null !== $here->pairing => new Hint(0.3, null),
            default => null,
        };
    }

    private static function notScuffed(Circumstances $here): Hint
    {
        return match (true) {
            null === $here->surface => new Hint(0.1, null),
            !$here->surface->wantsScuff, null !== $here->side?->scuffedAt => Hint::ruledOut(),
            default => new Hint(2.0, Sentence::of('fix.hint.wants_scuff', surface: $here->surface->name)),
        };
    }

    private static function wet(Circumstances $here): ?Hint
    {
        if (null === $here->staysDryDays || null === $here->driedDaysAgo) {
            return null;
        }
        $said = ['days' => Quantity::count($here->driedDaysAgo), 'good' => Quantity::count($here->staysDryDays)];

        return $here->driedDaysAgo > $here->staysDryDays
            ? new Hint(3.0, Sentence::of('fix.hint.dried_long_ago', ...$said)) : new Hint(0.4, Sentence::of('fix.hint.dry', ...$said));
    }

    private static function worn(Circumstances $here): ?Hint
    {
        $on = $here->side?->printsSinceFitting;
        if (null === $on || null === $here->surface) {
            return null;
        }
        $said = ['prints' => Quantity::count($on), 'usual' => Quantity::count($here->surface->lifePrints)];

        return match (true) {
            Wear::surfaceMayBeWorn($on, $here->surface) => new Hint(3.0, Sentence::of('fix.hint.past_its_life', ...$said)),
            $on < $here->surface->lifePrints / 4 => new Hint(0.3, Sentence::of('fix.hint.young', ...$said)),
            default => null,
        };
    }
}
