<?php

declare(strict_types=1);

namespace App\Choose;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Test\Comparison;
use App\Test\Setup;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Test\KnownGood;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\LimitRange;
use Sitzplatz\Test\Question\MeasuresLift;
use Sitzplatz\Test\Question\PlanQuestion;
use Sitzplatz\Test\Question\PlanQuestions;
use Sitzplatz\Test\Question\PlanShape;
use Sitzplatz\Test\Question\ShapesPlan;
use Sitzplatz\Test\Question\WhichOfThese;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\Sureness;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** From three short answers to a whole plan: what is to be known, by which measures, and how surely. Nothing is stored. */
final readonly class PlanBeginController
{
    public function __construct(
        private Contract $contract,
        private PlanBeginning $beginning,
        private PlanQuestions $questions,
        private ShopCatalogue $shop,
        private CurrentUser $current,
        private OwnRunsRepository $ownRuns,
        private EntityManagerInterface $entities,
    ) {
    }

    #[Route('/api/plans/begin', name: 'beginPlan', methods: ['POST'])]
    public function begin(Request $request): Answer
    {
        $body = $this->contract->body($request);
        $lot = $this->beginning->lot($body);
        $printer = null === $lot ? null : $this->beginning->printer($body['printerId'] ?? null, $lot);
        $material = null === $lot ? null : $this->shop->get()->material($lot->materialId);
        $filament = $material->filament ?? true;
        $question = $this->question($body['kind'], $filament);
        $sure = Sureness::from($body['sure']);
        $measures = $filament ? $body['measures'] : array_values(array_diff($body['measures'], ['pull', 'lift']));
        // What only lift answers is asked of a calliper, whatever was ticked.
        $measures = $question instanceof MeasuresLift ? ['lift'] : $measures;
        $pulls = \in_array('pull', $measures, true);
        $answer = [
            'kinds' => array_map(
                static fn (PlanQuestion $each): array => ['key' => $each->key(), 'words' => $each->words(), 'answer' => $each->answer()],
                array_values(array_filter($this->questions->all(), static fn (PlanQuestion $each): bool => $each->asksOf($filament))),
            ),
            'sureness' => array_map(
                static fn (Sureness $each): array => ['key' => $each->value, 'words' => $each->words(), 'asks' => $each->asks($pulls)],
                Sureness::cases(),
            ),
            'resin' => !$filament,
        ];
        if (null === $lot || null === $material || null === $printer) {
            $missing = Sentence::of(null === $lot ? 'plan.no_lot' : 'plan.no_printer');

            return new Answer([...$answer, 'plan' => null, 'leftOut' => [$missing], 'why' => (object) [], 'offers' => []]);
        }
        $before = $this->beginning->before($printer);
        $lifts = !$pulls && \in_array('lift', $measures, true);
        $bar = $question instanceof MeasuresLift ? $question : null;
        $constants = self::keptFrom($before, $lot, self::constants($filament, $lifts, $bar), $lifts, $pulls, $bar);
        // Another material has a nozzle temperature of its own; the rest is the bench's.
        $constants['nozzleFirstC'] = self::nozzleC($lot, $material);
        $gap = $constants['gapMm'];
        $roomC = (float) ($body['roomC'] ?? $this->current->get()->bench()['roomC'] ?? FirstTests::ROOM_C);
        [$setups, $left] = $this->beginning->setups(
            $question,
            $lot,
            $printer,
            $roomC,
            $body['setups'] ?? [],
            $body['asTheyAre'] ?? false,
            is_numeric($gap) ? (float) $gap : null,
            $body['combine'] ?? null,
        );
        $constants = [...$constants, ...$this->beginning->ofPlates($setups)];
        $durations = UsualPlan::durations();
        $runs = $body['runsPerSetup'] ?? $sure->runs($pulls);
        $shape = new PlanShape($sure->design(), $runs, Sureness::hotOf($runs, $pulls), RunOrder::VISITS, $pulls);
        if ($question instanceof ShapesPlan) {
            $shape = $question->shape($shape);
            $pulls = $shape->pulls;
            $measures = $pulls ? $measures : array_values(array_diff($measures, ['pull']));
        }

        return new Answer([
            ...$answer,
            'plan' => [
                'kind' => $question->key(),
                'title' => Sentence::of('plan.title', material: $material->name, question: $question->words()),
                'lotId' => $lot->id->toRfc4122(),
                'printerId' => $printer->id->toRfc4122(),
                'roomC' => $roomC,
                'constants' => $constants,
                'limits' => [
                    'hotPullAtLeastN' => $pulls && $shape->hotPerSetup > 0 ? UsualPlan::HOT_PULL_AT_LEAST_N : null,
                    'coldPullAtMostN' => $pulls ? UsualPlan::COLD_PULL_AT_MOST_N : null,
                    'effortAtMost' => UsualPlan::effortAtMost()->value,
                    'failuresAllowed' => 0,
                    'liftAtMostMm' => \in_array('lift', $measures, true) ? UsualPlan::LIFT_AT_MOST_MM : null,
                    'liftBy' => LiftBy::MeanOfEnds->value,
                ],
                'proof' => [
                    'criterion' => $sure->criterion($pulls)->value,
                    'share' => $sure->share(),
                    'design' => $shape->design->value,
                    'measures' => $measures,
                    'scaleStepN' => UsualPlan::SCALE_STEP_N,
                    'visits' => $shape->visits,
                    'plateStays' => false,
                    'coatStays' => $shape->coatStays,
                    'partsPerRun' => $shape->partsPerRun,
                ],
                'durations' => $before->durations ?? [
                    'prepareMinutes' => $durations->prepareMinutes,
                    'heatAndSoakMinutes' => $filament ? $durations->heatAndSoakMinutes : 0,
                    'printMinutes' => $durations->printMinutes,
                    'coolMinutes' => $filament ? $durations->coolMinutes : 0,
                    'inspectAndCleanMinutes' => $durations->inspectAndCleanMinutes,
                    'plateChangeMinutes' => $durations->plateChangeMinutes,
                ],
                'runsPerSetup' => $shape->runsPerSetup,
                'hotPerSetup' => $shape->hotPerSetup,
                'seed' => random_int(0, 65_535),
                'setups' => $setups,
            ],
            'leftOut' => $left,
            'why' => self::why($filament, $constants['piece']),
            'offers' => $pulls && $shape->hotPerSetup > 0 ? $this->offers($material, $constants['piece']) : [],
        ]);
    }

    /**
     * @param array<string, mixed> $piece of the plan
     *
     * @return list<array<string, mixed>> limits that own readings speak for; nothing is taken over unasked
     */
    private function offers(Material $material, array $piece): array
    {
        $own = $this->ownRuns->pulledHot($material->id, $piece);
        $offers = [];
        $good = KnownGood::among($own);
        $setup = null === $good ? null : $this->entities->find(Setup::class, Uuid::fromString($good->setupId));
        if (null !== $good && null !== $setup) {
            $offers[] = self::offer($good->limitN, Sentence::of(
                'plan_why.known_good',
                setup: $setup->name(),
                comparison: $setup->comparison->title,
                runs: Quantity::count($good->runs),
                mean: Quantity::newtons($good->meanN),
                limit: Quantity::newtons($good->limitN),
            ));
        }
        $range = LimitRange::among($own);
        if (null !== $range) {
            $offers[] = self::offer($range->flatFromN, Sentence::of(
                'plan_why.limit_range',
                lifted: Quantity::count($range->lifted),
                up: Quantity::newtons($range->liftedUpToN),
                flat: Quantity::count($range->flat),
                from: Quantity::newtons($range->flatFromN),
            ));
        }

        return $offers;
    }

    /** @return array<string, mixed> */
    private static function offer(float $limitN, Sentence $why): array
    {
        return ['field' => 'limits.hotPullAtLeastN', 'value' => $limitN, 'sentence' => $why];
    }

    private function question(string $key, bool $filament): PlanQuestion
    {
        $question = $this->questions->of($key) ?? throw Problem::invalid('kind', Sentence::of('plan.no_such_kind'));

        // Of a resin nobody asks for a bed temperature: the setups as they are stay a question.
        return $question->asksOf($filament) ? $question : new WhichOfThese();
    }

    /**
     * As the last comparison on the printer had it, as nobody changes that without need: but a piece for another measure is another
     * piece, and a file that was sliced for another material is another file.
     *
     * @param array<string, mixed> $usual
     *
     * @return array<string, mixed>
     */
    private static function keptFrom(?Comparison $before, Lot $lot, array $usual, bool $lifts, bool $pulls, ?MeasuresLift $bar): array
    {
        $kept = $before?->toArray()['constants'];
        if (null === $before || !\is_array($kept)) {
            return $usual;
        }
        $taken = $before->taken();
        $otherPiece = null !== $bar || ($lifts ? !$taken->lift || $taken->pulls : $pulls && !$taken->pulls);
        $ofPiece = $otherPiece ? ['piece' => $usual['piece']] : [];
        $ofFile = $otherPiece || $before->materialId !== $lot->materialId ? ['gcodeName' => $usual['gcodeName'], 'file' => null] : [];

        // What else stood on the plate is a matter of that comparison.
        return ['alsoMaterialIds' => []] + $ofPiece + $ofFile + $kept;
    }

    private static function nozzleC(Lot $lot, Material $material): float
    {
        return $lot->labelNozzleC ?? $material->nozzleC[1] ?? UsualPlan::NOZZLE_FIRST_C;
    }

    /** @return array<string, mixed> */
    private static function constants(bool $filament, bool $lifts, ?MeasuresLift $bar): array
    {
        $piece = $bar?->piece() ?? ($lifts ? UsualPlan::warpBar() : UsualPlan::piece());
        $key = $bar?->pieceKey() ?? ($lifts ? 'warp_bar' : ($filament ? 'pull_block' : 'exposure_discs'));
        $file = $key.'_file';

        return [
            'piece' => [
                'name' => Sentence::of("piece.$key"),
                'alongPullMm' => $piece->alongPullMm,
                'acrossPullMm' => $piece->acrossPullMm,
                'pullHeightMm' => $piece->pullHeightMm,
                ...($lifts ? ['contactAreaMm2' => $piece->contactAreaMm2()] : []),
            ],
            'gcodeName' => Sentence::of("piece.$file"),
            'nozzleMm' => UsualPlan::NOZZLE_MM,
            'nozzleFirstC' => UsualPlan::NOZZLE_FIRST_C,
            'lineWidthMm' => UsualPlan::LINE_WIDTH_MM,
            'gapMm' => UsualPlan::GAP_MM,
            'feeler' => Sentence::of('plan.usual_feeler'),
            'firstLayerSpeedMmS' => UsualPlan::FIRST_LAYER_MM_S,
            'fan' => Sentence::of('plan.usual_fan'),
            'holdDown' => Sentence::of($filament ? 'plan.usual_hold_down' : 'plan.usual_hold_down_resin'),
            'brim' => Sentence::of('plan.usual_brim'),
        ];
    }

    /**
     * @param array<string, mixed> $of the piece of the plan
     *
     * @return array<string, Sentence> why a default is what it is, by field
     */
    private static function why(bool $filament, array $of): array
    {
        $piece = new TestPiece('', (float) $of['alongPullMm'], (float) $of['acrossPullMm'], 0.0, Number::orNull($of['contactAreaMm2'] ?? null));

        return $filament ? [
            'limits.hotPullAtLeastN' => Sentence::of(
                'plan_why.hot_pull',
                stress: Quantity::megapascals($piece->shearStressMpa(UsualPlan::HOT_PULL_AT_LEAST_N)),
                along: Quantity::millimetres($piece->alongPullMm),
                across: Quantity::millimetres($piece->acrossPullMm),
            ),
            'limits.coldPullAtMostN' => Sentence::of('plan_why.cold_pull'),
            'limits.liftAtMostMm' => Sentence::of('plan_why.lift', bad: Quantity::millimetres(2 * UsualPlan::LIFT_AT_MOST_MM)),
            'limits.effortAtMost' => Sentence::of('plan_why.effort'),
            'limits.failuresAllowed' => Sentence::of('plan_why.failures'),
            'proof.visits' => Sentence::of('plan_why.visits'),
        ] : [
            'limits.effortAtMost' => Sentence::of('plan_why.effort'),
            'limits.failuresAllowed' => Sentence::of('plan_why.failures'),
        ];
    }
}
