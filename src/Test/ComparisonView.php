<?php

declare(strict_types=1);

namespace App\Test;

use App\Catalogue\ShopCatalogue;
use Psr\Clock\ClockInterface;
use Sitzplatz\Judge\Reasons;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\BedAfterFirstLayer;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Question\PlanQuestions;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\TimeEstimate;
use Sitzplatz\Test\Timetable;
use Sitzplatz\Test\TimetableRun;
use Sitzplatz\Test\VariedFactors;
use Sitzplatz\Words\Sentence;

/** A comparison as the API shows it: the plan with its order and what it costs, what differs, and its runs. */
final readonly class ComparisonView
{
    public function __construct(
        private RunRepository $runs,
        private PlanQuestions $questions,
        private ShopCatalogue $shop,
        private ClockInterface $clock,
        private SetupRisks $risks,
    ) {
    }

    /** @throws BadPlan if the plan cannot be carried out */
    public function order(Comparison $comparison): RunOrder
    {
        return ComparisonLife::order(
            ComparisonBook::setups($comparison),
            $comparison->runsPerSetup,
            $comparison->hotPerSetup,
            $comparison->seed,
            $comparison->design(),
            $comparison->proof['visits'],
            $this->questions->inTurn($comparison->kind),
            $comparison->spread(),
        );
    }

    /** @return array<string, mixed> */
    public function of(Comparison $comparison): array
    {
        $order = $this->order($comparison);
        $estimate = TimeEstimate::of($order, $comparison->runDurations());
        $varied = self::varied($comparison);
        $piece = $comparison->piece();
        $limit = $comparison->plan()->limits->hotPullAtLeastN;

        return [
            ...$comparison->toArray(),
            'question' => $this->question($comparison->kind),
            'plan' => [
                ...self::timetable($order, $comparison->runDurations()),
                ...(ComparisonStatus::Draft === $comparison->status ? [] : ['runs' => []]),
                'secondVisitSentence' => $estimate->secondVisitSentence($order),
            ],
            'piece' => [
                'contactAreaMm2' => $piece->contactAreaMm2(),
                'hotLimitMpa' => null === $limit ? null : $piece->shearStressMpa($limit),
                'hotLimitEdgePeelMpa' => null === $limit ? null : $piece->edgePeelStressMpa($limit),
            ],
            'basis' => Reasons::basis($comparison->plan()),
            'setups' => array_values($comparison->setups->map(
                fn (Setup $setup): array => [...$setup->toArray(), 'risk' => $this->risks->said($setup)],
            )->toArray()),
            'cautions' => $this->cautions($comparison),
            'varied' => ['names' => $varied->words(), 'confounded' => $varied->confounded(), 'sentence' => $varied->sentence()],
            'runs' => ComparisonStatus::Draft === $comparison->status ? [] : array_map(
                static fn (Run $run): array => $run->toArray(),
                $this->runs->of($comparison),
            ),
        ];
    }

    /** The question and what counts as an answer */
    private function question(string $kind): Sentence|string
    {
        $question = $this->questions->of($kind);

        return null === $question ? '' : Sentence::of('question_kind.with_answer', question: $question->words(), answer: $question->answer());
    }

    /** @return array<string, mixed> the order along the days at the bench */
    public static function timetable(RunOrder $order, RunDurations $durations): array
    {
        $timetable = Timetable::of($order->runs, $durations);

        return [
            'runs' => array_map(static fn (TimetableRun $each): array => [
                'position' => $each->run->position,
                'setupId' => $each->run->setupId,
                'visit' => $each->run->visit,
                'pull' => $each->run->pull->value,
                'plateChange' => $each->run->plateChange,
                'day' => $each->day,
                'atMinutes' => $each->atMinutes,
                'phases' => $each->phases,
            ], $timetable->runs),
            'days' => $timetable->days,
            'dayMinutes' => Timetable::DAY_MINUTES,
            'totalMinutes' => $timetable->minutes,
            'plateChanges' => $order->plateChanges,
        ];
    }

    public static function varied(Comparison $comparison): VariedFactors
    {
        return VariedFactors::between(array_values($comparison->setups->map(
            static fn (Setup $setup): array => self::factors($comparison, $setup),
        )->toArray()));
    }

    /** @return array<string, string|float|null> what a setup has of each factor */
    public static function factors(Comparison $comparison, Setup $setup): array
    {
        return [
            'material' => $setup->materialId,
            'lot' => self::lotFactor($comparison, $setup),
            'surface' => $setup->fitting->surfaceId,
            'plate' => self::plateFactor($comparison, $setup),
            'agent' => $setup->agent?->kindId,
            'bed' => $setup->bedFirstC,
            'bed_after' => $setup->bedOtherC,
            'exposure' => $setup->exposureS,
            'gap' => $setup->gapMm,
            'nozzle' => $setup->nozzleFirstC,
            'speed' => $setup->speedMmS,
            'brim' => $setup->brim,
            'taken_hot' => $setup->takenHot ? 'hot' : null,
            'ends' => $setup->ends?->value,
        ];
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

    /** Two lots of one material are a factor; lots of different materials differ by their material anyhow. */
    private static function lotFactor(Comparison $comparison, Setup $setup): ?string
    {
        $lots = [];
        foreach ($comparison->setups as $each) {
            $lots[$each->materialId][$each->lot->id->toRfc4122()] = true;
        }

        return \count($lots[$setup->materialId] ?? []) > 1 ? $setup->lot->label : null;
    }

    /** @return list<Sentence> */
    public function cautions(Comparison $comparison): array
    {
        $cautions = $this->wet($comparison);
        foreach ($comparison->setups as $setup) {
            $caution = BedAfterFirstLayer::caution($setup->bedFirstC, $setup->bedOtherC, $comparison->printer->boardHeater);
            if (null !== $caution) {
                $cautions[] = Sentence::of('caution.of_setup', setup: $setup->label, caution: $caution);
            }
            if ($setup->takenHot) {
                $cautions[] = Sentence::of('caution.of_setup', setup: $setup->label, caution: Sentence::of('caution.off_hot'));
            }
        }

        return $cautions;
    }

    /** @return list<Sentence> lots that want drying before the first run; what is done is done */
    private function wet(Comparison $comparison): array
    {
        $wet = [];
        foreach (ComparisonStatus::Closed === $comparison->status ? [] : $comparison->setups as $setup) {
            $caution = $this->shop->get()->material($setup->materialId)->wet($setup->lot->driedDaysAgo($this->clock->now()));
            if (null !== $caution) {
                $wet[$setup->lot->label] = Sentence::of('caution.of_lot', lot: $setup->lot->label, caution: $caution);
            }
        }

        return array_values($wet);
    }
}
