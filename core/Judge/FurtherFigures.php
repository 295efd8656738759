<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Equivalence;
use Sitzplatz\Statistics\Fisher;
use Sitzplatz\Statistics\Holm;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\KaplanMeier;
use Sitzplatz\Statistics\KruskalWallis;
use Sitzplatz\Statistics\LogRank;
use Sitzplatz\Statistics\RankSum;
use Sitzplatz\Statistics\Weibull;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/**
 * What goes beyond means: pulls with lower bounds among them, effort by its grades, held or not by exact tests, and whether two
 * means are alike within a margin. What cannot be had is null, with the reason.
 */
final readonly class FurtherFigures
{
    /** What nine parts in ten exceed. */
    private const SHARE = 0.9;
    private const ALPHA = 0.05;
    /** Up to so many grades of both the rank sum is counted out, beyond it is near a normal one. */
    private const EXACT_RANKS = 60;

    /**
     * @param list<SetupRecord>           $records
     * @param float|null                  $margin  in the unit of each measure; null: nothing is asked to be alike
     * @param VariedFactors|null          $varied  null: nobody knows what differs
     * @param array<string, list<string>> $levels  of each setup by its name, what it has of the factors that vary
     *
     * @return array{measures: array<string, array<string, mixed>>, effort: array<string, mixed>, held: array<string, mixed>}
     */
    public static function of(ComparisonJudgement $judged, array $records, ?float $margin, ?VariedFactors $varied = null, array $levels = []): array
    {
        $measures = [];
        foreach ($judged->measures as $name => $comparison) {
            $measures[$name] = [
                ...($comparison->measure instanceof Measure && $comparison->measure->isForce() ? ['survival' => self::survival($comparison->setups)] : []),
                ...DesignFigures::of($comparison, $varied, $levels),
                ...(null === $margin ? [] : ['equivalence' => self::equivalence($comparison->setups, $margin)]),
            ];
        }

        return ['measures' => $measures, 'effort' => self::effort($records), 'held' => self::held($judged->held)];
    }

    /**
     * @param list<MeasureSummary> $setups
     *
     * @return array<string, mixed>
     */
    private static function survival(array $setups): array
    {
        return [
            'setups' => array_map(self::curve(...), $setups),
            'logrank' => self::tried(static function () use ($setups): array {
                $test = LogRank::of(array_map(static fn (MeasureSummary $each): array => [$each->exact, $each->atLeast], $setups));

                return ['statistic' => $test->statistic, 'df' => $test->df, 'p' => $test->p];
            }, ['statistic' => null, 'df' => null, 'p' => null]),
        ];
    }

    /** @return array<string, mixed> */
    private static function curve(MeasureSummary $setup): array
    {
        $km = KaplanMeier::of($setup->exact, $setup->atLeast);

        return [
            'setup' => $setup->setup,
            'n' => $km->n,
            'events' => $km->events,
            'median' => $km->median(),
            'km' => $km->steps,
            'weibull' => self::tried(static function () use ($setup): array {
                $fit = Weibull::of($setup->exact, $setup->atLeast);

                return [
                    'shape' => $fit->shape,
                    'scale' => $fit->scale,
                    'exceeded_by_90' => ['value' => $fit->exceededBy(self::SHARE), 'ci95' => $fit->exceededByInterval(self::SHARE)->toArray()],
                ];
            }, ['shape' => null, 'scale' => null, 'exceeded_by_90' => null]),
        ];
    }

    /**
     * @param list<MeasureSummary> $setups
     *
     * @return list<array<string, mixed>>
     */
    private static function equivalence(array $setups, float $margin): array
    {
        return self::pairs($setups, static function (MeasureSummary $a, MeasureSummary $b) use ($margin): array {
            $names = ['a' => $a->setup, 'b' => $b->setup];
            [$sampleA, $sampleB] = [$a->sample(), $b->sample()];
            if (null === $sampleA || null === $sampleB) {
                return [...$names, 'p' => null, 'equivalent' => null, 'reason' => (null === $sampleA ? $a : $b)->whyNoSample()];
            }

            return [...$names, ...self::tried(static function () use ($sampleA, $sampleB, $margin): array {
                $p = Equivalence::p($sampleA, $sampleB, $margin);

                return ['p' => $p, 'equivalent' => $p < self::ALPHA];
            }, ['p' => null, 'equivalent' => null])];
        });
    }

    /**
     * @param list<SetupRecord> $records
     *
     * @return array<string, mixed>
     */
    private static function effort(array $records): array
    {
        $setups = [];
        foreach ($records as $record) {
            $grades = array_map(static fn ($reading): int => (int) $reading->value, $record->readings(Measure::Effort));
            if ([] !== $grades) {
                $setups[] = [$record->name, $grades];
            }
        }
        $pairs = self::pairs($setups, static function (array $a, array $b): array {
            $exact = \count($a[1]) + \count($b[1]) <= self::EXACT_RANKS;

            return [
                'a' => $a[0],
                'b' => $b[0],
                'p' => ($exact ? RankSum::of($a[1], $b[1]) : RankSum::nearly($a[1], $b[1]))->p,
                'p_holm' => null,
                'method' => $exact ? 'rank_sum_exact' : 'rank_sum_normal',
            ];
        });

        return [
            'setups' => array_map(static fn (array $each): array => [
                'setup' => $each[0],
                'counts' => array_map(static fn (Effort $grade): int => \count(array_keys($each[1], $grade->value, true)), Effort::cases()),
            ], $setups),
            'kruskal' => self::tried(static function () use ($setups): array {
                $test = KruskalWallis::of(array_column($setups, 1));

                return ['statistic' => $test->statistic, 'df' => $test->df, 'p' => $test->p];
            }, ['statistic' => null, 'df' => null, 'p' => null]),
            'pairs' => self::adjusted($pairs),
        ];
    }

    /**
     * @param list<HeldRate> $held
     *
     * @return array<string, mixed>
     */
    private static function held(array $held): array
    {
        $p = static fn (HeldRate ...$rates): array => self::tried(static function () use ($rates): array {
            $p = Fisher::p(array_values(array_map(static fn (HeldRate $rate): array => [$rate->held, $rate->runs], $rates)));

            return ['p' => $p, ...(null === $p ? ['reason' => Sentence::of('figure.too_many_ways')] : [])];
        }, ['p' => null]);

        return [
            'fisher' => $p(...$held),
            'pairs' => self::adjusted(self::pairs(
                $held,
                static fn (HeldRate $a, HeldRate $b): array => ['a' => $a->setup, 'b' => $b->setup, 'p_holm' => null, ...$p($a, $b)],
            )),
        ];
    }

    /**
     * @template T
     *
     * @param list<T>                              $items
     * @param \Closure(T, T): array<string, mixed> $of
     *
     * @return list<array<string, mixed>> in the order of the items
     */
    private static function pairs(array $items, \Closure $of): array
    {
        $pairs = [];
        foreach ($items as $i => $a) {
            foreach (\array_slice($items, $i + 1) as $b) {
                $pairs[] = $of($a, $b);
            }
        }

        return $pairs;
    }

    /**
     * @param list<array<string, mixed>> $pairs
     *
     * @return list<array<string, mixed>> with the p values of all of them taken together
     */
    private static function adjusted(array $pairs): array
    {
        $with = array_filter($pairs, static fn (array $pair): bool => \is_float($pair['p']));
        $adjusted = Holm::adjusted(array_values(array_map(static fn (array $pair): float => (float) $pair['p'], $with)));
        foreach (array_keys($with) as $place => $i) {
            $pairs[$i]['p_holm'] = $adjusted[$place];
        }

        return $pairs;
    }

    /**
     * @param \Closure(): array<string, mixed> $figures
     * @param array<string, null>              $none
     *
     * @return array<string, mixed|Phrase>
     */
    private static function tried(\Closure $figures, array $none): array
    {
        try {
            return $figures();
        } catch (InvalidArgument $e) {
            return [...$none, 'reason' => Sentence::of('figure.'.$e->reason)];
        }
    }
}
