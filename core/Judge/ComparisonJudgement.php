<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Judge\Method\GamesHowellPairs;
use Sitzplatz\Judge\Method\MethodAnswer;
use Sitzplatz\Judge\Method\Methods;
use Sitzplatz\Judge\Method\PairLine;
use Sitzplatz\Judge\Method\Welch;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\MeasureScale;
use Sitzplatz\Words\Sentence;

/** What the readings of a comparison say: per measure, per setup, and in words. */
final readonly class ComparisonJudgement
{
    /** Measures with a unit, which have a mean. */
    public const CONTINUOUS = [Measure::PullHot, Measure::PullCold, Measure::Lift, Measure::ReleaseTemperature];

    /**
     * @param array<string, MeasureComparison> $measures by name, only those with readings
     * @param list<HeldRate>                   $held     only setups for which somebody said it
     * @param array<string, list<LevelCounts>> $counts   by name of an added measure without a mean, only those with readings
     * @param list<string>                     $further  keys of methods beyond the usual two
     */
    private function __construct(public array $measures, public array $held, public array $counts, private array $further)
    {
    }

    /** @param list<SetupRecord> $records */
    public static function of(array $records, LiftBy $liftBy = LiftBy::MeanOfEnds, Measures $known = new Measures(), Methods $methods = new Methods()): self
    {
        $measures = [];
        $counts = [];
        foreach ([...self::CONTINUOUS, ...$known->added()] as $measure) {
            if (MeasureScale::Continuous === $measure->scale()) {
                $comparison = MeasureComparison::of($records, $measure, $liftBy, $methods);
                if ([] !== $comparison->setups) {
                    $measures[$measure->key()] = $comparison;
                }
            } else {
                $levels = array_values(array_filter(
                    array_map(static fn (SetupRecord $record): LevelCounts => LevelCounts::of($record, $measure), $records),
                    static fn (LevelCounts $each): bool => $each->n > 0,
                ));
                if ([] !== $levels) {
                    $counts[$measure->key()] = $levels;
                }
            }
        }
        $held = array_values(array_filter(
            array_map(HeldRate::of(...), $records),
            static fn (HeldRate $rate): bool => $rate->runs > 0,
        ));

        return new self($measures, $held, $counts, $methods->added());
    }

    /**
     * The figures as data: forces in N, lifts in mm, temperatures in °C, in full double precision; with a contact area
     * in mm² the mean pull of each setup also as stress, MPa.
     *
     * @return array{measures: array<string, mixed>, counts?: array<string, mixed>, held: array{setups: list<array<string, mixed>>}}
     */
    public function toArray(?float $contactAreaMm2 = null): array
    {
        return [
            'measures' => array_map(
                fn (MeasureComparison $m): array => $this->measure($m, $m->measure instanceof Measure && $m->measure->isForce() ? $contactAreaMm2 : null),
                $this->measures,
            ),
            ...([] === $this->counts ? [] : ['counts' => array_map(self::levels(...), $this->counts)]),
            'held' => ['setups' => array_map(static fn (HeldRate $rate): array => [
                'setup' => $rate->setup,
                'held' => $rate->held,
                'runs' => $rate->runs,
                'rate' => $rate->rate(),
                'ci95' => $rate->interval?->toArray(),
            ], $this->held)],
        ];
    }

    /**
     * @param list<LevelCounts> $setups
     *
     * @return array<string, mixed>
     */
    private static function levels(array $setups): array
    {
        $measure = $setups[0]->measure;

        return [
            'words' => $measure->words(),
            'levels' => MeasureScale::YesNo === $measure->scale() ? [Sentence::of('answer.no'), Sentence::of('answer.yes')] : $measure->levels(),
            'setups' => array_map(static fn (LevelCounts $each): array => [
                'setup' => $each->setup,
                'n' => $each->n,
                'counts' => $each->counts,
                'ci95' => $each->rate?->toArray(),
            ], $setups),
        ];
    }

    /** @return array<string, mixed> */
    private function measure(MeasureComparison $comparison, ?float $areaMm2): array
    {
        $welch = $comparison->answers[Welch::KEY];

        return [
            'setups' => array_map(static fn (MeasureSummary $s): array => [
                'setup' => $s->setup,
                'n' => $s->n,
                'n_at_least' => $s->nAtLeast,
                'mean' => $s->mean,
                'sd' => $s->sd,
                'ci95' => $s->interval?->toArray(),
                ...(null === $areaMm2 ? [] : ['mean_mpa' => null === $s->mean ? null : $s->mean / $areaMm2]),
                ...(null === $s->reason ? [] : ['reason' => $s->reason]),
            ], $comparison->setups),
            'overall' => ['method' => Welch::KEY, ...self::overall($welch)],
            'pairs' => self::pairs($comparison, GamesHowellPairs::KEY),
            ...([] === $this->further ? [] : ['further' => array_map(static fn (string $key): array => [
                'method' => $key,
                ...self::overall($comparison->answers[$key]),
                'pairs' => self::pairs($comparison, $key),
            ], $this->further)]),
        ];
    }

    /** @return array<string, mixed> */
    private static function overall(MethodAnswer $answer): array
    {
        return [
            'statistic' => $answer->statistic,
            'df' => [] === $answer->df ? null : $answer->df,
            'p' => $answer->p,
            ...(null === $answer->reason ? [] : ['reason' => $answer->reason]),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function pairs(MeasureComparison $comparison, string $method): array
    {
        return array_map(static fn (PairLine $pair): array => self::pair($pair, $method), $comparison->answers[$method]->pairs);
    }

    /** @return array<string, mixed> */
    private static function pair(PairLine $pair, string $method): array
    {
        return [
            'a' => $pair->a,
            'b' => $pair->b,
            'difference' => $pair->difference,
            'ci95' => $pair->interval?->toArray(),
            'df' => $pair->df,
            'p' => $pair->p,
            'method' => $method,
            ...(null === $pair->reason ? [] : ['reason' => $pair->reason]),
        ];
    }
}
