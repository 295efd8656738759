<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\RankSum;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Which of the setups that hold and let go to use: the easiest release, then no consumable, then less heat, then less cost
 * (common practice, trade notes section 16: enough force and easiest release). What the runs cannot tell apart is named as
 * such, and never as equal.
 */
final readonly class SetupToUse
{
    /** Efforts that differ no less likely than this are not told apart; pairs are described, not tested as a family. */
    private const APART_P = 0.05;

    private function __construct(
        public string $setup,
        /** @var list<Sentence> why this one */
        public array $reasons,
        /** @var list<Sentence> how each of the others stands to it */
        public array $others,
    ) {
    }

    /**
     * @param list<PassedSetup> $passed
     *
     * @return self|null null: none passed
     */
    public static function among(array $passed): ?self
    {
        if ([] === $passed) {
            return null;
        }
        $order = $passed;
        usort($order, static fn (PassedSetup $a, PassedSetup $b): int => [$a->meanEffort() ?? \INF, $a->consumes, $a->bedC ?? -\INF, $a->costPerPrint ?? \INF]
            <=> [$b->meanEffort() ?? \INF, $b->consumes, $b->bedC ?? -\INF, $b->costPerPrint ?? \INF]);
        $easiest = $order[0];
        // Of what cannot be told apart from the easiest, the one that costs least trouble.
        $alike = array_values(array_filter($order, static fn (PassedSetup $each): bool => self::cannotTellApart($easiest, $each)));
        usort($alike, static fn (PassedSetup $a, PassedSetup $b): int => [$a->consumes, $a->bedC ?? -\INF, $a->costPerPrint ?? \INF, $a->meanEffort() ?? \INF]
            <=> [$b->consumes, $b->bedC ?? -\INF, $b->costPerPrint ?? \INF, $b->meanEffort() ?? \INF]);
        $use = $alike[0];
        $others = [];
        foreach ($order as $other) {
            if ($other !== $use) {
                $others[] = self::against($use, $other);
            }
        }

        return new self($use->name, self::reasons($use, $alike, \count($passed)), $others);
    }

    /**
     * @param list<PassedSetup> $alike
     *
     * @return list<Sentence>
     */
    private static function reasons(PassedSetup $use, array $alike, int $passed): array
    {
        if (1 === $passed) {
            return [Sentence::of('use.only_one')];
        }
        $reasons = [Sentence::of(1 === \count($alike) ? 'use.easiest' : 'use.as_easy', alike: Quantity::count(\count($alike) - 1))];
        if (\count($alike) > 1) {
            $reasons[] = match (true) {
                !$use->consumes && [] !== array_filter($alike, static fn (PassedSetup $each): bool => $each->consumes) => Sentence::of('use.no_consumable'),
                [] !== array_filter(
                    $alike,
                    static fn (PassedSetup $each): bool => ($each->bedC ?? -\INF) > ($use->bedC ?? -\INF),
                ) => Sentence::of('use.less_heat'),
                [] !== array_filter(
                    $alike,
                    static fn (PassedSetup $each): bool => ($each->costPerPrint ?? \INF) > ($use->costPerPrint ?? \INF),
                ) => Sentence::of('use.less_cost'),
                default => Sentence::of('use.lower_effort'),
            };
        }

        return $reasons;
    }

    private static function against(PassedSetup $use, PassedSetup $other): Sentence
    {
        if ([] === $use->efforts || [] === $other->efforts) {
            return Sentence::of('use.not_compared', other: $other->name);
        }
        $ranks = RankSum::of($use->efforts, $other->efforts);

        return Sentence::of(
            $ranks->p < self::APART_P ? ($ranks->higher > 0.5 ? 'use.harder' : 'use.easier') : 'use.cannot_tell',
            other: $other->name,
            p: Quantity::number($ranks->p, 0.001),
            n: Quantity::count(\count($other->efforts)),
        );
    }

    private static function cannotTellApart(PassedSetup $easiest, PassedSetup $other): bool
    {
        return [] === $easiest->efforts || [] === $other->efforts || RankSum::of($easiest->efforts, $other->efforts)->p >= self::APART_P;
    }
}
