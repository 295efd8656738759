<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Choose\ShopCatalogue;
use App\Judge\Judging;
use App\Judge\VerdictRecord;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Platform\Words\Wording;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\JobRequest;
use Sitzplatz\Choose\SetupCheck;
use Sitzplatz\CoreVersion;
use Sitzplatz\Test\BadPlan;
use Sitzplatz\Test\PlannedRun;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\TimeEstimate;
use Sitzplatz\Test\VariedFactors;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Comparisons: planned, started, extended, closed with a verdict. */
final readonly class ComparisonController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private RunRepository $runs,
        private Judging $judging,
        private Wording $wording,
        private Catalogue $catalogue,
        private ShopCatalogue $shop,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/comparisons', name: 'listComparisons', methods: ['GET'])]
    public function list(): Answer
    {
        /** @var list<Comparison> $comparisons */
        $comparisons = $this->entities->createQuery(
            'SELECT c, l, p FROM '.Comparison::class.' c JOIN c.lot l JOIN c.printer p ORDER BY c.createdAt DESC',
        )->setMaxResults(200)->getResult();
        $counts = [];
        foreach ($this->database->iterateAssociative('SELECT comparison_id, status, COUNT(*) AS n FROM run GROUP BY comparison_id, status') as $row) {
            $counts[(string) $row['comparison_id']][(string) $row['status']] = (int) $row['n'];
        }

        return new Answer(array_map(static function (Comparison $comparison) use ($counts): array {
            $count = $counts[$comparison->id->toBinary()] ?? [];

            return [
                'id' => $comparison->id->toRfc4122(),
                'title' => $comparison->title,
                'status' => $comparison->status,
                'materialId' => $comparison->materialId,
                'lotLabel' => $comparison->lot->label,
                'printerName' => $comparison->printer->name,
                'runs' => [
                    'planned' => $count[Run::PLANNED] ?? 0,
                    'running' => $count[Run::RUNNING] ?? 0,
                    'done' => $count[Run::DONE] ?? 0,
                    'void' => $count[Run::VOID] ?? 0,
                ],
            ];
        }, $comparisons));
    }

    #[Route('/api/comparisons', name: 'createComparison', methods: ['POST'])]
    public function create(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$comparison, $new] = $this->creation->create(Comparison::class, $body, function (Uuid $id) use ($body): Comparison {
            $comparison = new Comparison(
                $id,
                $this->now->time(),
                $this->edit->reference(Lot::class, $body['lotId'], 'lotId'),
                $this->edit->reference(Printer::class, $body['printerId'], 'printerId'),
            );
            $this->apply($comparison, $body);
            $this->audit->note('comparison planned', $id, ['title' => $body['title']]);

            return $comparison;
        });

        return new Answer($this->detail($comparison), $new ? 201 : 200);
    }

    #[Route('/api/comparisons/{id}', name: 'getComparison', methods: ['GET'])]
    public function get(string $id): Answer
    {
        return new Answer($this->detail($this->edit->find(Comparison::class, $id)));
    }

    #[Route('/api/comparisons/{id}', name: 'updateComparison', methods: ['PUT'])]
    public function update(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison) use ($body): void {
            if (Comparison::DRAFT !== $comparison->status) {
                throw Problem::invalid('', 'The plan is fixed since the comparison was started. Plan a new comparison instead.', 409);
            }
            $comparison->lot = $this->edit->reference(Lot::class, $body['lotId'], 'lotId');
            $comparison->printer = $this->edit->reference(Printer::class, $body['printerId'], 'printerId');
            $this->apply($comparison, $body);
            $this->audit->note('comparison replanned', $comparison->id, ['title' => $body['title']]);
        });

        return new Answer($this->detail($comparison));
    }

    #[Route('/api/comparisons/{id}/start', name: 'startComparison', methods: ['POST'])]
    public function start(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison): void {
            if (Comparison::DRAFT !== $comparison->status) {
                throw Problem::invalid('', 'This comparison is started already.', 409);
            }
            $setups = [];
            foreach ($comparison->setups as $setup) {
                if ($setup->fitting !== $setup->side->current()) {
                    throw Problem::invalid('setups', \sprintf('%s has a new surface since this was planned. Save the plan again.', $setup->side->label()));
                }
                $setups[$setup->id->toRfc4122()] = $setup;
            }
            foreach ($this->order($comparison)->runs as $planned) {
                $this->entities->persist(new Run(Uuid::v7(), $this->now->time(), $comparison, $setups[$planned->setupId], $planned->position, $planned->visit, $planned->pull, $planned->plateChange, $comparison->roomC));
            }
            $comparison->status = Comparison::RUNNING;
            $comparison->startedAt = $this->now->time();
            $this->audit->note('comparison started', $comparison->id);
        });

        return new Answer($this->detail($comparison));
    }

    #[Route('/api/comparisons/{id}/runs', name: 'addRuns', methods: ['POST'])]
    public function addRuns(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison) use ($body): void {
            if (Comparison::DRAFT === $comparison->status) {
                throw Problem::invalid('', 'This comparison is not started yet: change the plan instead.', 409);
            }
            $setup = null;
            foreach ($comparison->setups as $each) {
                $setup = $each->id->toRfc4122() === $body['setupId'] ? $each : $setup;
            }
            if (null === $setup) {
                throw Problem::invalid('setupId', 'This comparison has no such setup.');
            }
            $position = $this->lastPosition($comparison);
            for ($i = 0; $i < $body['count']; ++$i) {
                $pull = PullKind::tryFrom($body['pull']) ?? (0 === $i % 2 ? PullKind::Hot : PullKind::Cold);
                $this->entities->persist(new Run(Uuid::v7(), $this->now->time(), $comparison, $setup, ++$position, RunOrder::VISITS + 1, $pull, 0 === $i, $comparison->roomC));
            }
            $comparison->grewAfterVerdict = true;
            $comparison->status = Comparison::RUNNING;
            $comparison->closedAt = null;
            $this->audit->note('runs added', $comparison->id, ['setup' => $setup->label, 'count' => $body['count']]);
        });

        return new Answer($this->detail($comparison));
    }

    #[Route('/api/comparisons/{id}/close', name: 'closeComparison', methods: ['POST'])]
    public function close(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison): void {
            if (Comparison::RUNNING !== $comparison->status) {
                throw Problem::invalid('', 'Only a comparison that was started can be closed.', 409);
            }
            $counted = [];
            foreach ($this->runs->of($comparison) as $run) {
                if (Run::DONE === $run->status) {
                    $counted[] = $run->id->toRfc4122();
                }
            }
            $this->entities->persist(new VerdictRecord(
                Uuid::v7(),
                $this->now->time(),
                $comparison,
                $this->current->get()->displayName,
                $this->wording->record($this->judging->judge($comparison)),
                $counted,
                $this->catalogue->digest,
                CoreVersion::NUMBER,
            ));
            $comparison->status = Comparison::CLOSED;
            $comparison->closedAt = $this->now->time();
            $this->audit->note('comparison closed', $comparison->id);
        });

        return new Answer($this->detail($comparison));
    }

    /** @param array<string, mixed> $body */
    private function apply(Comparison $comparison, array $body): void
    {
        $comparison->apply($body);
        if ('filament' !== $comparison->printer->kind) {
            throw Problem::invalid('printerId', \sprintf('%s prints resin: choose a filament printer.', $comparison->printer->name));
        }
        $catalogue = $this->shop->get();
        $job = new JobRequest($catalogue->material($comparison->materialId), $comparison->printer->facts($catalogue), $comparison->roomC, $body['lotId']);
        $comparison->setups->clear();
        foreach ($body['setups'] as $i => $each) {
            $side = $this->edit->reference(PlateSide::class, $each['plateSideId'], "setups.$i.plateSideId");
            $agent = null === $each['agentId'] ? null : $this->edit->reference(AgentStock::class, $each['agentId'], "setups.$i.agentId");
            $refusal = SetupCheck::refuses($catalogue, $job, $side->facts($catalogue), $agent?->kindId, Number::orNull($each['bedFirstC']));
            if (null !== $refusal) {
                throw Problem::invalid("setups.$i", $refusal);
            }
            $comparison->setups->add(new Setup(
                Uuid::v7(),
                $this->now->time(),
                $comparison,
                \chr(\ord('A') + $i),
                $i,
                $side,
                $side->current(),
                $agent,
                Number::orNull($each['bedFirstC']),
                Number::orNull($each['bedOtherC']),
            ));
        }
        try {
            $this->order($comparison);
        } catch (BadPlan $e) {
            throw Problem::invalid('hotPerSetup', $e->sentence, previous: $e);
        }
    }

    private function order(Comparison $comparison): RunOrder
    {
        $setups = array_values($comparison->setups->map(
            static fn (Setup $setup): PlannedSetup => new PlannedSetup($setup->id->toRfc4122(), $setup->side->id->toRfc4122()),
        )->toArray());

        return RunOrder::draw($setups, $comparison->runsPerSetup, $comparison->hotPerSetup, $comparison->seed);
    }

    /** Two plates of one kind are a factor of their own; plates of different kinds differ by their surface anyhow. */
    private function plateFactor(Comparison $comparison, Setup $setup): ?string
    {
        $sides = [];
        foreach ($comparison->setups as $each) {
            $sides[$each->fitting->surfaceId][$each->side->id->toRfc4122()] = true;
        }

        return \count($sides[$setup->fitting->surfaceId] ?? []) > 1 ? $setup->side->label() : null;
    }

    private function lastPosition(Comparison $comparison): int
    {
        $last = $this->database->fetchOne('SELECT MAX(position) FROM run WHERE comparison_id = ?', [$comparison->id->toBinary()]);

        return is_numeric($last) ? (int) $last : 0;
    }

    /** @return array<string, mixed> */
    private function detail(Comparison $comparison): array
    {
        $order = $this->order($comparison);
        $estimate = TimeEstimate::of($order, $comparison->runDurations());
        $varied = VariedFactors::between(array_values($comparison->setups->map(fn (Setup $setup): array => [
            'surface' => $setup->fitting->surfaceId,
            'plate' => $this->plateFactor($comparison, $setup),
            'agent' => $setup->agent?->kindId,
            'bed' => $setup->bedFirstC,
            'bed_after' => $setup->bedOtherC,
        ])->toArray()));
        $piece = $comparison->piece();
        $limit = $comparison->judgingLimits()->hotPullAtLeastN;

        return [
            ...$comparison->toArray(),
            'plan' => [
                'order' => Comparison::DRAFT === $comparison->status ? array_map(static fn (PlannedRun $run): array => [
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
                'hotLimitMpa' => $piece->shearStressMpa($limit),
                'hotLimitEdgePeelMpa' => $piece->edgePeelStressMpa($limit),
            ],
            'varied' => ['names' => $varied->words(), 'confounded' => $varied->confounded(), 'sentence' => $varied->sentence()],
            'runs' => Comparison::DRAFT === $comparison->status ? [] : array_map(static fn (Run $run): array => $run->toArray(), $this->runs->of($comparison)),
        ];
    }
}
