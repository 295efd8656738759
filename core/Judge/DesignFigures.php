<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\FactorialAnova;
use Sitzplatz\Statistics\Holm;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\Permutation;
use Sitzplatz\Statistics\VarianceLine;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

/**
 * What follows from how a plan was laid out: the setups are compared within the visits during which they took turns, by
 * counting in how many other orders they would differ as much, and what crossed factors do is taken apart.
 */
final readonly class DesignFigures
{
    /** More factors at once are not taken apart: their interactions need more runs than anybody makes. */
    private const MOST_FACTORS = 3;

    /**
     * @param VariedFactors|null          $varied null: nobody knows what differs
     * @param array<string, list<string>> $levels of each setup by its name, what it has of the factors that vary
     *
     * @return array{permutation: array<string, mixed>, variance: array<string, mixed>}
     */
    public static function of(MeasureComparison $comparison, ?VariedFactors $varied, array $levels): array
    {
        return ['permutation' => self::permutation($comparison->setups), 'variance' => self::variance($comparison->setups, $varied, $levels)];
    }

    /**
     * @param list<MeasureSummary> $setups
     *
     * @return array<string, mixed>
     */
    private static function permutation(array $setups): array
    {
        $pairs = [];
        foreach ($setups as $i => $a) {
            foreach (\array_slice($setups, $i + 1) as $b) {
                $pairs[] = ['a' => $a->setup, 'b' => $b->setup, ...self::permuted([$a, $b]), 'p_holm' => null];
            }
        }
        $with = array_keys(array_filter($pairs, static fn (array $pair): bool => \is_float($pair['p'])));
        foreach (Holm::adjusted(array_map(static fn (int $i): float => (float) $pairs[$i]['p'], $with)) as $place => $p) {
            $pairs[$with[$place]]['p_holm'] = $p;
        }

        return [...self::permuted($setups), 'pairs' => $pairs];
    }

    /**
     * @param list<MeasureSummary> $setups
     *
     * @return array<string, mixed>
     */
    private static function permuted(array $setups): array
    {
        $none = ['p' => null, 'least' => null, 'ways' => null, 'exact' => null, 'error' => null, 'visits' => null];
        $bound = self::bound($setups);
        if (null !== $bound) {
            return [...$none, 'reason' => $bound];
        }
        try {
            $test = Permutation::of(array_map(static fn (MeasureSummary $setup): array => array_map(
                static fn (float $value, string $visit): array => ['value' => $value, 'block' => $visit],
                $setup->exact,
                $setup->visits,
            ), $setups));
        } catch (InvalidArgument $e) {
            return [...$none, 'reason' => Sentence::of('figure.permutation_'.$e->reason)];
        }

        return [
            'p' => $test->p,
            'least' => $test->least,
            'ways' => $test->ways,
            'exact' => $test->exact,
            'error' => $test->error,
            'visits' => $test->blocks,
        ];
    }

    /**
     * @param list<MeasureSummary>        $setups
     * @param array<string, list<string>> $levels
     *
     * @return array<string, mixed>
     */
    private static function variance(array $setups, ?VariedFactors $varied, array $levels): array
    {
        $none = ['lines' => [], 'error_df' => null];
        $bound = self::bound($setups);
        if (null !== $bound) {
            return [...$none, 'reason' => $bound];
        }
        $apart = null !== $varied && $varied->crossed && \count($varied->names) <= self::MOST_FACTORS && \count($levels) === \count($setups);
        $values = [];
        foreach ($setups as $setup) {
            foreach ($setup->exact as $i => $value) {
                $values[] = ['levels' => $apart ? $levels[$setup->setup] : [$setup->setup], 'block' => $setup->visits[$i], 'value' => $value];
            }
        }
        try {
            $anova = FactorialAnova::of($values);
        } catch (InvalidArgument $e) {
            return [...$none, 'reason' => Sentence::of('figure.'.$e->reason)];
        }
        $words = $apart ? $varied->words() : [Sentence::of('variance.setup')];

        return [
            'lines' => array_map(static fn (VarianceLine $line): array => [
                'term' => [] === $line->factors ? Sentence::of('variance.visits') : Sentence::of(
                    1 === \count($line->factors) ? 'variance.factor' : 'variance.together',
                    factors: Listing::of(array_map(static fn (int $i): Sentence => $words[$i], $line->factors), Joined::And),
                ),
                'squares' => $line->squares,
                'df' => $line->df,
                'statistic' => $line->statistic,
                'p' => $line->p,
            ], $anova->lines),
            'error_df' => $anova->errorDf,
        ];
    }

    /** @param list<MeasureSummary> $setups */
    private static function bound(array $setups): ?Sentence
    {
        foreach ($setups as $setup) {
            if ($setup->nAtLeast > 0) {
                return $setup->whyNoSample();
            }
        }

        return \count($setups) < 2 ? Sentence::of('figure.one_setup') : null;
    }
}
