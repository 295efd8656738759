<?php

declare(strict_types=1);

namespace App\Judge;

use App\Account\Author;
use App\Catalogue\OwnCoatLife;
use App\Catalogue\ShopCatalogue;
use App\Platform\Words\Wording;
use App\Test\Comparison;
use App\Test\ComparisonView;
use App\Test\RunRepository;
use App\Test\RunSheetData;
use App\Test\Setup;
use App\Test\SetupDial;
use App\Test\StripData;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\CoreVersion;
use Sitzplatz\Judge\CoatLife;
use Sitzplatz\Judge\ComparisonJudgement;
use Sitzplatz\Judge\Difference;
use Sitzplatz\Judge\Finding;
use Sitzplatz\Judge\FurtherFigures;
use Sitzplatz\Judge\LadderRung;
use Sitzplatz\Judge\LadderWindow;
use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Judge\Method\Methods;
use Sitzplatz\Judge\NextRun;
use Sitzplatz\Judge\NextStep;
use Sitzplatz\Judge\NotRunTogether;
use Sitzplatz\Judge\OpenSetup;
use Sitzplatz\Judge\Outlook;
use Sitzplatz\Judge\PassedSetup;
use Sitzplatz\Judge\Reasons;
use Sitzplatz\Judge\Rungs;
use Sitzplatz\Judge\SetupJudgement;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Judge\SetupToUse;
use Sitzplatz\Judge\UnitValue;
use Sitzplatz\Judge\ValueAgainstLimit;
use Sitzplatz\Judge\Verdict;
use Sitzplatz\Judge\WeakPoints;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Measures;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Test\Question\PlanQuestions;
use Sitzplatz\Test\Reading;
use Sitzplatz\Wear\Wear;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** Hands the readings of a comparison to the core and brings its answer into the form that the API shows. */
final readonly class Judging
{
    private const NO_RUNS = ['voids' => 0, 'alone' => 0, 'running' => 0, 'planned' => 0];

    public function __construct(
        private EntityManagerInterface $entities,
        private RunRepository $runs,
        private Connection $database,
        private StripData $strip,
        private ShopCatalogue $shop,
        private Wording $wording,
        private Measures $measures,
        private Methods $methods,
        private PlanQuestions $questions,
        private SetupDial $dial,
        private SettledLooks $settled,
    ) {
    }

    /** The judgement as it is to be kept, with the runs it is reckoned from. To be asked while the comparison is locked. */
    public function record(Comparison $comparison, Author $by, \DateTimeImmutable $at): VerdictRecord
    {
        $evidence = $this->runs->records($comparison);

        return new VerdictRecord(
            Uuid::v7(),
            $at,
            $comparison,
            $by->name,
            $by->id,
            $this->wording->record($this->shown($comparison, $evidence)),
            $evidence['runIds'],
            $this->shop->get()->digest,
            CoreVersion::NUMBER,
        );
    }

    /** @return array<string, mixed> */
    public function judge(Comparison $comparison): array
    {
        $evidence = $this->runs->records($comparison);

        return $this->shown($comparison, $evidence);
    }

    /**
     * @param array{records: list<SetupRecord>, runsOf: list<list<string>>, waiting: int, warm: int, simulated: int} $evidence
     *
     * @return array<string, mixed>
     */
    private function shown(Comparison $comparison, array $evidence): array
    {
        ['records' => $records, 'runsOf' => $runsOf] = $evidence;
        $plan = $comparison->plan();
        $compared = ComparisonJudgement::of($records, $plan->limits->liftBy, $this->measures, $this->methods);
        $figures = $compared->toArray();
        $setups = array_values($comparison->setups->toArray());
        $varied = ComparisonView::varied($comparison);
        $levels = [];
        foreach ($setups as $setup) {
            $levels[$setup->label] = $varied->levels(ComparisonView::factors($comparison, $setup));
        }
        $further = FurtherFigures::of($compared, $records, null, $varied, $levels);
        $counts = $this->counts($comparison);
        $settled = $this->settled->of($this->entities, $comparison);
        $judged = array_map(static fn (SetupRecord $record): SetupJudgement => SetupJudgement::of($record, $plan), $records);
        $shown = [];
        $of = [];
        foreach ($records as $i => $record) {
            $of[] = $counts[$setups[$i]->id->toBinary()] ?? self::NO_RUNS;
            $shown[] = $this->setup($comparison, $setups[$i], $record, $judged[$i], $of[$i], $settled[$setups[$i]->id->toRfc4122()] ?? []);
        }
        $use = $this->use($setups, $records, $judged);
        $going = array_sum(array_column($counts, 'running'));

        return [
            'setups' => $shown,
            'measures' => (object) $figures['measures'],
            'counts' => (object) ($figures['counts'] ?? []),
            'held' => $figures['held'],
            // What the figures across setups may be taken for; the verdicts have bounds of their own.
            'figures' => self::once($comparison, $records) ? 'fixed' : 'descriptive',
            'limits' => $comparison->limits,
            'proof' => $comparison->proof,
            'basis' => Reasons::basis($plan),
            'use' => $use,
            'differences' => array_map(static fn (Difference $each): array => $each->toArray(), Difference::among($compared, $plan->limits)),
            'weakPoints' => WeakPoints::of(
                $records,
                $judged,
                $plan,
                $varied,
                $of,
                $comparison->grewAfterVerdict,
                $going,
                $evidence,
                self::spread($setups),
                $this->runs->madeUnder($comparison),
            ),
            'nextSteps' => $this->nextSteps($comparison, $setups, $judged, $shown, $use['setup'] ?? null, $going, array_sum(array_column($counts, 'planned'))),
            'coats' => $this->coats($comparison, $setups, $records, $runsOf),
            'places' => $this->places($comparison, $setups, $runsOf),
            'control' => $this->control($comparison),
            'ladder' => $this->ladder($comparison, $setups, $judged),
            // They only describe: no verdict rests on them.
            'further' => ['measures' => (object) $further['measures']] + $further,
            'next' => $this->next($comparison, $setups, $records, $judged, $counts),
            'contactAreaMm2' => $comparison->piece()->contactAreaMm2(),
            'runsPlanned' => $comparison->runsPerSetup,
            // Begun and not done: left out, and said.
            'openRuns' => $going,
            'grewAfterVerdict' => $comparison->grewAfterVerdict,
        ];
    }

    /**
     * @param array{voids: int, alone: int, running: int, planned: int} $counts
     * @param list<SettledLook>                                         $settled
     *
     * @return array<string, mixed>
     */
    private function setup(Comparison $comparison, Setup $setup, SetupRecord $record, SetupJudgement $judgement, array $counts, array $settled): array
    {
        $plan = $comparison->plan();
        $efforts = $record->efforts();
        $outlook = Outlook::inPlan($record, $plan, $judgement);
        $new = Verdict::NotYetKnown === $judgement->verdict && null === $judgement->runsLeft ? Outlook::inNewPlan($record, $plan) : null;

        return [
            'id' => $setup->id->toRfc4122(),
            'label' => $setup->label,
            'name' => $setup->name(),
            'strip' => $this->strip->ofSetup($setup),
            'ownRuns' => [
                'at' => $setup->exposureS ?? $setup->bedFirstC ?? $comparison->roomC,
                'held' => $judgement->held->held,
                'failed' => $judgement->held->runs - $judgement->held->held,
                'stuck' => $record->count(Measure::Effort, $plan->limits->effortAtMost->value),
            ],
            'verdict' => $judgement->verdict->value,
            'words' => $judgement->words($outlook, $new),
            'moreRuns' => $judgement->runsLeft,
            'chance' => $outlook?->chance,
            'newPlanRuns' => $new?->runs,
            'hold' => self::finding($judgement->hold, SettledLooks::contradicted($settled, true, $judgement->hold)),
            'release' => self::finding($judgement->release, SettledLooks::contradicted($settled, false, $judgement->release)),
            'surprise' => $judgement->against($setup->expectedHold, $setup->expectedRelease),
            'held' => $judgement->held->held,
            'heldRuns' => $judgement->held->runs,
            'heldCi95' => $judgement->held->interval?->toArray(),
            'voids' => $counts['voids'],
            'voidsAlone' => $counts['alone'],
            'hotPull' => $this->pull($comparison, $record, Measure::PullHot, $judgement->hold->pulls),
            'coldPull' => $this->pull($comparison, $record, $record->releasePull(), $judgement->release->pulls),
            'lifts' => array_map(static fn (UnitValue $lift): float => $lift->value, $record->lifts($plan->limits->liftBy)),
            'efforts' => array_map(
                static fn (Effort $effort): array => ['effort' => $effort->value, 'words' => $effort->words(), 'count' => $efforts[$effort->value]],
                Effort::cases(),
            ),
            'damages' => $record->count(Measure::Damage, 0.5),
        ];
    }

    /** @return array<string, mixed> */
    private function pull(Comparison $comparison, SetupRecord $record, Measure $measure, ?ValueAgainstLimit $judged): array
    {
        $summary = MeasureSummary::of($record, $measure);

        return [
            'n' => $summary->n,
            'nAtLeast' => $summary->nAtLeast,
            'meanN' => $summary->mean,
            'sdN' => $summary->sd,
            'ci95N' => $summary->interval?->toArray(),
            // Of the last look: what decides, or would.
            'boundsN' => null === $judged ? null : [
                'kind' => Design::Fixed === $comparison->design() ? 'fixed' : 'sequential',
                'about' => $judged->rule->value,
                'low' => $judged->lower,
                'high' => $judged->upper,
            ],
            'uneven' => null !== $judged && $judged->uneven,
            'meanMpa' => null === $summary->mean ? null : $comparison->piece()->shearStressMpa($summary->mean),
            'reason' => $summary->reason,
            'readings' => array_map(
                static fn (Reading $reading): array => ['valueN' => $reading->value, 'atLeast' => $reading->atLeast],
                $record->readings($measure),
            ),
        ];
    }

    /**
     * Looked at once, when all planned runs and no more were done.
     *
     * @param list<SetupRecord> $records
     */
    private static function once(Comparison $comparison, array $records): bool
    {
        return Design::Fixed === $comparison->design() && !$comparison->grewAfterVerdict && [] === array_filter(
            $records,
            static fn (SetupRecord $record): bool => \count($record->runs) !== $comparison->runsPerSetup,
        );
    }

    /**
     * @param list<Setup>          $setups
     * @param list<SetupRecord>    $records
     * @param list<SetupJudgement> $judged
     *
     * @return array{setup: string, reasons: list<Sentence>, others: list<Sentence>}|null
     */
    private function use(array $setups, array $records, array $judged): ?array
    {
        $catalogue = $this->shop->get();
        $passed = [];
        foreach ($judged as $i => $judgement) {
            if (Verdict::HoldsAndLetsGo === $judgement->verdict) {
                $stock = $setups[$i]->agent;
                $passed[] = new PassedSetup(
                    $setups[$i]->label,
                    array_map(static fn (Reading $reading): int => (int) $reading->value, $records[$i]->readings(Measure::Effort)),
                    null !== $stock,
                    $setups[$i]->bedFirstC,
                    Wear::perPrint(
                        $setups[$i]->side->facts($catalogue)->costPerPrint,
                        null === $stock ? null : $catalogue->agent($stock->kindId),
                        $stock?->facts()->costPerCoat,
                        $setups[$i]->fitting->surfaceId,
                    ),
                );
            }
        }
        $use = SetupToUse::among($passed);

        return null === $use ? null : ['setup' => $use->setup, 'reasons' => $use->reasons, 'others' => $use->others];
    }

    /**
     * @param list<Setup>        $setups
     * @param list<SetupRecord>  $records
     * @param list<list<string>> $runsOf
     *
     * @return list<array<string, mixed>> how long coats last, where each stayed for several prints
     */
    private function coats(Comparison $comparison, array $setups, array $records, array $runsOf): array
    {
        if (!$comparison->coatStays()) {
            return [];
        }
        $numbers = $this->runs->printsOnCoat($comparison);
        $own = [];
        foreach ($this->entities->getRepository(OwnCoatLife::class)->findBy([
            'setupId' => array_map(static fn (Setup $setup): string => $setup->id->toBinary(), $setups),
            'withdrawnAt' => null,
        ]) as $taken) {
            $own[$taken->setupId->toRfc4122()] = $taken->prints;
        }
        $shown = [];
        foreach ($records as $i => $record) {
            $life = CoatLife::of($record, $comparison->plan()->limits, array_map(static fn (string $run): int => $numbers[$run], $runsOf[$i]));
            if (null !== $life) {
                $shown[] = [
                    'setup' => $record->name,
                    'agentName' => $setups[$i]->agent?->name,
                    'takenOver' => $own[$setups[$i]->id->toRfc4122()] ?? null,
                    'careAfter' => $life->careAfter(),
                    'coats' => $life->coats,
                    'renewAfter' => $life->renewAfter,
                    'atLeast' => $life->atLeast,
                    'sentences' => $life->sentences,
                ];
            }
        }

        return $shown;
    }

    /**
     * @param list<Setup>        $setups
     * @param list<list<string>> $runsOf
     *
     * @return list<array<string, mixed>> where on the plate something was marked, by setup
     */
    private function places(Comparison $comparison, array $setups, array $runsOf): array
    {
        $marks = [];
        foreach ($this->runs->marks($comparison) as $mark) {
            $marks[$mark->run->setup->id->toRfc4122()][] = $mark->toArray();
        }
        $parts = $comparison->partsPerRun();
        // Where each part stood alone, a run that did not hold failed there.
        foreach ($comparison->spread() ? $this->runs->of($comparison) : [] as $run) {
            if (RunStatus::Done === $run->status && false === $run->held && null !== $run->spot) {
                $marks[$run->setup->id->toRfc4122()][] = [
                    'id' => $run->id->toRfc4122(),
                    'kind' => MarkKind::Failed->value,
                    ...$run->spot->at(),
                    'markedBy' => $run->madeBy,
                ];
            }
        }
        $shown = [];
        foreach ($setups as $i => $setup) {
            $own = $marks[$setup->id->toRfc4122()] ?? [];
            if ([] === $own && 1 === $parts && (!$comparison->spread() || [] === $runsOf[$i])) {
                continue;
            }
            $shown[] = [
                'setup' => $setup->label,
                ...RunSheetData::map($setup->side->plate, $parts, $comparison->spread() ? PlateSpot::cases() : []),
                'runs' => \count($runsOf[$i]),
                'marks' => $own,
            ];
        }

        return $shown;
    }

    /** @return array<string, mixed>|null an earlier comparison beside this one: what it said, and in what it differs */
    private function control(Comparison $comparison): ?array
    {
        $control = $comparison->control;
        if (null === $control) {
            return null;
        }
        $setups = array_values($control->setups->toArray());

        return [
            'id' => $control->id->toRfc4122(),
            'title' => $control->title,
            'startedAt' => $control->startedAt?->format(\DATE_ATOM),
            'differs' => NotRunTogether::in(self::conditions($comparison), self::conditions($control)),
            'setups' => array_map(static function (SetupRecord $record, Setup $setup) use ($control): array {
                $judged = SetupJudgement::of($record, $control->plan());

                return [
                    'name' => $setup->name(),
                    'verdict' => $judged->verdict->value,
                    'words' => $judged->words(),
                    'held' => $judged->held->held,
                    'heldRuns' => $judged->held->runs,
                    'hotPullN' => MeasureSummary::of($record, Measure::PullHot)->mean,
                    'coldPullN' => MeasureSummary::of($record, Measure::PullCold)->mean,
                ];
            }, $this->runs->records($control)['records'], $setups),
        ];
    }

    /** @return array<string, string|float|null> what a comparison holds constant */
    private static function conditions(Comparison $comparison): array
    {
        return [
            'material' => $comparison->materialId,
            'lot' => $comparison->lot->label,
            'printer' => $comparison->printer->name,
            'room' => $comparison->roomC,
            'gap' => $comparison->gapMm,
            'nozzle' => $comparison->nozzleFirstC,
            'speed' => $comparison->firstLayerSpeedMmS(),
            'brim' => $comparison->brim(),
            'file' => (string) $comparison->constants['gcodeName'],
        ];
    }

    /**
     * @param list<Setup> $setups
     *
     * @return array{surfaces: int, plates: int, lots: int, materials: int}
     */
    private static function spread(array $setups): array
    {
        $of = static fn (\Closure $what): int => \count(array_unique(array_map($what, $setups)));

        return [
            'surfaces' => $of(static fn (Setup $setup): string => $setup->fitting->surfaceId),
            'plates' => $of(static fn (Setup $setup): string => $setup->side->id->toRfc4122()),
            'lots' => $of(static fn (Setup $setup): string => $setup->lot->id->toRfc4122()),
            'materials' => $of(static fn (Setup $setup): string => $setup->materialId),
        ];
    }

    /**
     * @param list<Setup>                $setups
     * @param list<SetupJudgement>       $judged
     * @param list<array<string, mixed>> $shown
     *
     * @return list<array<string, mixed>>
     */
    private function nextSteps(Comparison $comparison, array $setups, array $judged, array $shown, ?string $use, int $going, int $planned): array
    {
        $newPlan = $ids = [];
        foreach ($setups as $i => $setup) {
            $ids[$setup->label] = $setup->id->toRfc4122();
            // How long a coat lasts is answered by its prints, not by more of them.
            if (!$comparison->coatStays() && Verdict::NotYetKnown === $judged[$i]->verdict && null === $judged[$i]->runsLeft) {
                $runs = $shown[$i]['newPlanRuns'];
                $newPlan[$setup->label] = \is_int($runs) ? $runs : null;
            }
        }

        return array_map(static fn (NextStep $step): array => [
            'do' => $step->do->value,
            'setupId' => null === $step->setup ? null : $ids[$step->setup],
            'runs' => null === $step->setup ? null : $newPlan[$step->setup] ?? null,
            'sentence' => $step->sentence,
        ], NextStep::after(
            $judged,
            $comparison->status,
            $comparison->design(),
            $use,
            array_map(static fn (array $each): bool => null !== $each['surprise'], $shown),
            $newPlan,
            $going,
            $planned,
        ));
    }

    /**
     * @param list<Setup>          $setups
     * @param list<SetupJudgement> $judged
     *
     * @return array<string, mixed>|null null: the setups are no rungs of a ladder
     */
    private function ladder(Comparison $comparison, array $setups, array $judged): ?array
    {
        $varied = ComparisonView::varied($comparison);
        $rungs = [];
        foreach ($setups as $i => $setup) {
            $factors = ComparisonView::factors($comparison, $setup);
            $grip = $varied->grip($factors);
            if (null === $grip || null === $varied->scale()) {
                return null;
            }
            $rungs[] = new LadderRung($setup->label, (float) $factors[$varied->scale()], $grip, $judged[$i]);
        }
        if (\count($rungs) < 2) {
            return null;
        }
        $window = LadderWindow::of($rungs, (string) $varied->scale());

        return [
            'sentences' => $window->sentences,
            'window' => $this->ownWindow($setups[0], (string) $varied->scale(), $window),
        ];
    }

    /**
     * What the shop may hold true from now on, on the axis that Choose seats on; that of a gap has no place there.
     *
     * @return array<string, mixed>|null
     */
    private function ownWindow(Setup $setup, string $scale, LadderWindow $window): ?array
    {
        if (null === $window->holdsAt || null === $window->letsGoAt || !\in_array($scale, ['bed', 'exposure'], true)) {
            return null;
        }
        $comparison = $setup->comparison;
        $at = fn (float $shown): float => 'exposure' === $scale
            ? $shown
            : ($this->dial->at($shown, $comparison->printer, $setup->side, $comparison->roomC)->surfaceC ?? $shown);
        // Nobody sets or measures any finer.
        [$low, $high] = [round($at($window->holdsAt), 1), round($at($window->letsGoAt), 1)];

        return [
            'materialId' => $setup->materialId,
            'surfaceId' => $setup->fitting->surfaceId,
            'agentKindId' => $setup->agent?->kindId,
            'window' => [$low, round(($low + $high) / 2, 1), $high],
        ];
    }

    /**
     * @param list<Setup>                                                              $setups
     * @param list<SetupRecord>                                                        $records
     * @param list<SetupJudgement>                                                     $judged
     * @param array<string, array{voids: int, alone: int, running: int, planned: int}> $counts
     *
     * @return array<string, mixed>|null null: a fixed plan has its order
     */
    private function next(Comparison $comparison, array $setups, array $records, array $judged, array $counts): ?array
    {
        if (Design::Adaptive !== $comparison->design() || ComparisonStatus::Running !== $comparison->status) {
            return null;
        }
        $varied = ComparisonView::varied($comparison);
        $open = [];
        $ids = [];
        foreach ($setups as $i => $setup) {
            $count = $counts[$setup->id->toBinary()] ?? self::NO_RUNS;
            $ids[$setup->label] = $setup->id->toRfc4122();
            $open[] = new OpenSetup(
                $setup->label,
                $records[$i],
                $judged[$i],
                $setup->side->plate->id->toRfc4122(),
                $count['running'] + $count['planned'],
                $varied->grip(ComparisonView::factors($comparison, $setup)),
            );
        }
        $next = NextRun::among(
            $open,
            $comparison->plan(),
            $comparison->runDurations(),
            match (true) {
                $this->questions->inTurn($comparison->kind) => Rungs::InTurn,
                $varied->ladder() => Rungs::Ladder,
                default => Rungs::None,
            },
            $this->runs->lastPlate($comparison),
        );
        $left = [];
        foreach ($next->left as $label => $why) {
            $left[] = ['setup' => $label, 'why' => $why];
        }

        return [
            'setupId' => null === $next->setup ? null : $ids[$next->setup],
            'setup' => $next->setup,
            'pull' => $next->pull?->value,
            'reason' => $next->reason,
            'left' => $left,
            'plannedOpen' => array_sum(array_column($counts, 'planned')),
        ];
    }

    /** @return array{answer: string, reasons: list<Sentence>} */
    private static function finding(Finding $finding, ?Sentence $contradicted): array
    {
        return ['answer' => $finding->answer->value, 'reasons' => [...(null === $contradicted ? [] : [$contradicted]), ...$finding->reasons]];
    }

    /** @return array<string, array{voids: int, alone: int, running: int, planned: int}> by the binary id of the setup */
    private function counts(Comparison $comparison): array
    {
        $counts = [];
        foreach ($this->database->iterateAssociative(
            "SELECT setup_id, SUM(status = 'void') AS voids, SUM(voided_alone) AS alone, SUM(status = 'running') AS running, SUM(status = 'planned') AS planned
             FROM run WHERE comparison_id = ? GROUP BY setup_id",
            [$comparison->id->toBinary()],
        ) as $row) {
            $counts[(string) $row['setup_id']] = [
                'voids' => (int) $row['voids'],
                'alone' => (int) $row['alone'],
                'running' => (int) $row['running'],
                'planned' => (int) $row['planned'],
            ];
        }

        return $counts;
    }
}
