<?php

declare(strict_types=1);

namespace App\Test;

use Sitzplatz\Judge\Reasons;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\BedAfterFirstLayer;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\PlannedRun;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\TimeEstimate;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Words\Sentence;

/** A comparison as the API shows it: the plan with its order and what it costs, what differs, and its runs. */
final readonly class ComparisonView
{
    public function __construct(private RunRepository $runs)
    {
    }

    /** @throws BadPlan if the plan cannot be carried out */
    public static function order(Comparison $comparison): RunOrder
    {
        return ComparisonLife::order(
            ComparisonBook::setups($comparison),
            $comparison->runsPerSetup,
            $comparison->hotPerSetup,
            $comparison->seed,
            $comparison->design(),
            $comparison->proof['visits'],
        );
    }

    /** @return array<string, mixed> */
    public function of(Comparison $comparison): array
    {
        $order = self::order($comparison);
        $estimate = TimeEstimate::of($order, $comparison->runDurations());
        $varied = self::varied($comparison);
        $piece = $comparison->piece();
        $limit = $comparison->plan()->limits->hotPullAtLeastN;

        return [
            ...$comparison->toArray(),
            'plan' => [
                'order' => ComparisonStatus::Draft === $comparison->status ? array_map(static fn (PlannedRun $run): array => [
                    'position' => $run->position,
                    'setupId' => $run->setupId,
                    'visit' => $run->visit,
                    'pull' => $run->pull->value,
                    'plateChange' => $run->plateChange,
                ], $order->runs) : [],
                'plateChanges' => $order->plateChanges,
                'totalMinutes' => $estimate->totalMinutes,
                'secondVisitSentence' => $estimate->secondVisitSentence($order),
            ],
            'piece' => [
                'contactAreaMm2' => $piece->contactAreaMm2(),
                'hotLimitMpa' => null === $limit ? null : $piece->shearStressMpa($limit),
                'hotLimitEdgePeelMpa' => null === $limit ? null : $piece->edgePeelStressMpa($limit),
            ],
            'basis' => Reasons::basis($comparison->plan()),
            'cautions' => self::cautions($comparison),
            'varied' => ['names' => $varied->words(), 'confounded' => $varied->confounded(), 'sentence' => $varied->sentence()],
            'runs' => ComparisonStatus::Draft === $comparison->status ? [] : array_map(
                static fn (Run $run): array => $run->toArray(),
                $this->runs->of($comparison),
            ),
        ];
    }

    public static function varied(Comparison $comparison): VariedFactors
    {
        return VariedFactors::between(array_values($comparison->setups->map(static fn (Setup $setup): array => [
            'surface' => $setup->fitting->surfaceId,
            'plate' => self::plateFactor($comparison, $setup),
            'agent' => $setup->agent?->kindId,
            'bed' => $setup->bedFirstC,
            'bed_after' => $setup->bedOtherC,
        ])->toArray()));
    }

    /** Two plates of one kind are a factor of their own; plates of different kinds differ by their surface anyhow. */
    private static function plateFactor(Comparison $comparison, Setup $setup): ?string
    {
        $sides = [];
        foreach ($comparison->setups as $each) {
            $sides[$each->fitting->surfaceId][$each->side->id->toRfc4122()] = true;
        }

        return \count($sides[$setup->fitting->surfaceId] ?? []) > 1 ? $setup->side->label() : null;
    }

    /** @return list<Sentence> */
    private static function cautions(Comparison $comparison): array
    {
        $cautions = [];
        foreach ($comparison->setups as $setup) {
            $caution = BedAfterFirstLayer::caution($setup->bedFirstC, $setup->bedOtherC);
            if (null !== $caution) {
                $cautions[] = Sentence::of('caution.of_setup', setup: $setup->label, caution: $caution);
            }
        }

        return $cautions;
    }
}
