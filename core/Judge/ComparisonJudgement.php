<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Measure;

/** What the readings of a comparison say: per measure, per setup, and in words. */
final readonly class ComparisonJudgement
{
    /** Measures with a unit, which have a mean. */
    public const CONTINUOUS = [Measure::PullHot, Measure::PullCold, Measure::Lift, Measure::ReleaseTemperature];

    /**
     * @param array<string, MeasureComparison> $measures by name, only those with readings
     * @param list<HeldRate>                   $held     only setups for which somebody said it
     */
    private function __construct(public array $measures, public array $held)
    {
    }

    /** @param list<SetupRecord> $records */
    public static function of(array $records, LiftBy $liftBy = LiftBy::MeanOfEnds): self
    {
        $measures = [];
        foreach (self::CONTINUOUS as $measure) {
            $comparison = MeasureComparison::of($records, $measure, $liftBy);
            if ([] !== $comparison->setups) {
                $measures[$measure->value] = $comparison;
            }
        }
        $held = array_values(array_filter(
            array_map(HeldRate::of(...), $records),
            static fn (HeldRate $rate): bool => $rate->runs > 0,
        ));

        return new self($measures, $held);
    }

    /**
     * The figures as data: forces in N, lifts in mm, temperatures in °C, in full double precision; with a contact area
     * in mm² the mean pull of each setup also as stress, MPa.
     *
     * @return array{measures: array<string, mixed>, held: array{setups: list<array<string, mixed>>}}
     */
    public function toArray(?float $contactAreaMm2 = null): array
    {
        return [
            'measures' => array_map(
                static fn (MeasureComparison $m): array => self::measure($m, $m->measure->isForce() ? $contactAreaMm2 : null),
                $this->measures,
            ),
            'held' => ['setups' => array_map(static fn (HeldRate $rate): array => [
                'setup' => $rate->setup,
                'held' => $rate->held,
                'runs' => $rate->runs,
                'rate' => $rate->rate(),
                'ci95' => $rate->interval?->toArray(),
            ], $this->held)],
        ];
    }

    /** @return array<string, mixed> */
    private static function measure(MeasureComparison $comparison, ?float $areaMm2): array
    {
        $welch = $comparison->overall;

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
            'overall' => [
                'method' => 'welch',
                'statistic' => $welch?->statistic,
                'df' => null === $welch ? null : [$welch->df1, $welch->df2],
                'p' => $welch?->p,
                ...(null === $comparison->overallReason ? [] : ['reason' => $comparison->overallReason]),
            ],
            'pairs' => array_map(static fn (array $pair): array => [
                'a' => $pair['a'],
                'b' => $pair['b'],
                'difference' => $pair['result']?->difference,
                'ci95' => $pair['result']?->interval->toArray(),
                'df' => $pair['result']?->df,
                'p' => $pair['result']?->p,
                'method' => 'games_howell',
                ...(null === $pair['reason'] ? [] : ['reason' => $pair['reason']]),
            ], $comparison->pairs),
        ];
    }
}
