<?php

declare(strict_types=1);

namespace App\Care;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Evidence\ChangeEvent;
use App\Evidence\LearnedShop;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Database\UtcType;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\Plate;
use App\Shelf\PlateRepository;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\SideOnShelf;
use App\Test\Run;
use App\Test\RunCommands;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Care\CleanerFit;
use Sitzplatz\Care\JarDue;
use Sitzplatz\Evidence\BadChange;
use Sitzplatz\Evidence\ChangeKind;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Life\TakingBack;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** What the plates are due for, what was done to them, and changes to printers. */
final readonly class CareController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private PlateRepository $plates,
        private PlateHistory $history,
        private ShopCatalogue $shop,
        private CurrentUser $current,
        private Now $now,
        private Transaction $transaction,
        private Audit $audit,
        private LearnedShop $learned,
    ) {
    }

    #[Route('/api/care', name: 'getCare', methods: ['GET'])]
    public function get(): Answer
    {
        $history = $this->history->all();
        $worse = $this->learned->worseSheets();
        $today = $this->now->time()->format(\DATE_ATOM);
        $changes = $this->entities->getRepository(ChangeEvent::class)->findBy([], ['createdAt' => 'DESC'], 20);

        return new Answer([
            'sides' => array_map(function (SideOnShelf $side) use ($history, $worse, $today): array {
                $counts = $history[$side->id];
                $surface = $this->shop->get()->surface($side->surfaceId);

                return [
                    'plateSideId' => $side->id,
                    'label' => $side->label,
                    'surfaceName' => $surface->name,
                    'cleaning' => $surface->cleaning,
                    'printsSinceFitting' => $counts->printsSinceFitting,
                    'printsSinceWash' => $counts->printsSinceWash,
                    'printsSinceCoat' => $counts->printsOnCoat,
                    'coatAgent' => $counts->coatAgentName,
                    'lastWash' => $counts->washedAt,
                    'due' => (new CareDue(
                        $counts,
                        $this->shop->get()->agents[$counts->coatAgentKindId ?? ''] ?? null,
                        $surface,
                        $worse[$side->fittingId] ?? null,
                        $this->shop->get(),
                        $today,
                    ))->sentences(),
                ];
            }, $this->plates->sidesOnShelf()),
            'jars' => $this->jars(),
            'changes' => array_map(static fn (ChangeEvent $change): array => $change->toArray(), $changes),
        ]);
    }

    /** @return list<array{agentId: string, name: string, due: non-empty-list<Sentence>}> what is on the shelf and wants looking after */
    private function jars(): array
    {
        $jars = [];
        foreach ($this->entities->getRepository(AgentStock::class)->findBy(['retired' => false], ['name' => 'ASC']) as $stock) {
            $due = JarDue::of(
                $this->shop->get()->agent($stock->kindId),
                $stock->openedOn?->format('Y-m-d'),
                $stock->expiresOn?->format('Y-m-d'),
                $stock->dataSheet,
                $this->now->time()->format('Y-m-d'),
            );
            if ([] !== $due) {
                $jars[] = ['agentId' => $stock->id->toRfc4122(), 'name' => $stock->name, 'due' => $due];
            }
        }

        return $jars;
    }

    #[Route('/api/plate-sides/{id}/care', name: 'noteCare', methods: ['POST'])]
    public function note(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$event, $new] = $this->creation->create(CareEvent::class, $body, function (Uuid $key) use ($id, $body): CareEvent {
            $side = $this->edit->find(PlateSide::class, $id);
            $agent = null === $body['agentId'] ? null : $this->edit->reference(AgentStock::class, $body['agentId'], 'agentId');
            $cleaner = $body['cleanerId'] ?? ('wipe' === $body['kind'] ? CleanerFit::WIPE : null);
            $surface = $this->shop->get()->surface($side->current()->surfaceId);
            if (null !== $cleaner && !isset($this->shop->get()->cleaners[$cleaner])) {
                throw Problem::invalid('cleanerId', 'The catalogue has no such cleaner: choose one from the list.');
            }
            $refusal = null === $cleaner ? null : CleanerFit::refusesCleaner($surface, $this->shop->get()->cleaners[$cleaner]);
            if (null !== $refusal) {
                throw Problem::invalid('cleanerId', $refusal);
            }
            $coat = $this->shop->get()->agents[$this->history->all($side)[$side->id->toRfc4122()]->coatAgentKindId ?? ''] ?? null;
            $taken = 'wipe' === $body['kind'] ? CleanerFit::refusesWipe($coat) : null;
            if (null !== $taken) {
                throw Problem::invalid('kind', $taken);
            }
            $harm = null === $agent ? null : CleanerFit::refusesAgent($surface, $this->shop->get()->agent($agent->kindId));
            if (null !== $harm) {
                throw Problem::invalid('agentId', $harm);
            }

            if ('touch_up' === $body['kind'] && null === $coat) {
                throw Problem::invalid('kind', Sentence::of('care.nothing_to_touch_up'));
            }

            return new CareEvent(
                $key,
                $this->now->time(),
                $side,
                $body['kind'],
                $agent,
                $this->current->author(),
                $body['note'],
                $cleaner,
                'touch_up' === $body['kind'] && isset($body['spot']) ? PlateSpot::from($body['spot']) : null,
            );
        });

        return new Answer(['id' => $event->id->toRfc4122()], $new ? 201 : 200);
    }

    /** A note that was a wrong touch goes, while it is fresh and nothing rests on it; the log says so. */
    #[Route('/api/care-notes/{id}', name: 'takeCareBack', methods: ['DELETE'])]
    public function takeBack(string $id): JsonResponse
    {
        $note = $this->edit->find(CareEvent::class, $id);
        $side = $note->side->id->toBinary();
        $this->takesBack($note, $note->doneById, [
            'SELECT 1 FROM run r JOIN setup s ON s.id = r.setup_id WHERE s.side_id = ? AND r.started_at >= ? LIMIT 1' => $side,
            'SELECT 1 FROM job WHERE side_id = ? AND created_at >= ? LIMIT 1' => $side,
        ], ['side' => $note->side->label(), 'kind' => $note->kind]);

        return new JsonResponse(null, 204);
    }

    #[Route('/api/changes/{id}', name: 'takeChangeBack', methods: ['DELETE'])]
    public function takeChangeBack(string $id): JsonResponse
    {
        $change = $this->edit->find(ChangeEvent::class, $id);
        $printer = $change->printer->id->toBinary();
        $this->takesBack($change, $change->doneById, [
            'SELECT 1 FROM run r JOIN comparison c ON c.id = r.comparison_id WHERE c.printer_id = ? AND r.started_at >= ? LIMIT 1' => $printer,
            'SELECT 1 FROM job WHERE printer_id = ? AND created_at >= ? LIMIT 1' => $printer,
        ], ['printer' => $change->printer->name, 'kind' => $change->kind->value]);

        return new JsonResponse(null, 204);
    }

    /**
     * @param array<string, string> $since  by question whether something was begun since, of what it asks
     * @param array<string, mixed>  $detail
     */
    private function takesBack(CareEvent|ChangeEvent $note, ?Uuid $by, array $since, array $detail): void
    {
        $this->transaction->run(function () use ($note, $by, $since, $detail): void {
            $rested = false;
            foreach ($since as $question => $of) {
                $rested = $rested || false !== $this->entities->getConnection()->fetchOne($question, [$of, UtcType::text($note->createdAt)]);
            }
            $ago = (float) $this->now->time()->format('U.u') - (float) $note->createdAt->format('U.u');
            $own = $by?->equals($this->current->get()->id) ?? false;
            RunCommands::asked(static fn () => TakingBack::ofNote($ago, $own, $rested));
            $this->audit->note('note taken back', $note->id, $detail);
            $this->entities->remove($note);
            $this->entities->flush();
        });
    }

    /** Puts the results from before in question; of a fault the runs made meanwhile are named, so that they can be voided. */
    #[Route('/api/printers/{id}/changes', name: 'noteChange', methods: ['POST'])]
    public function change(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$event, $new] = $this->creation->create(ChangeEvent::class, $body, function (Uuid $key) use ($id, $body): ChangeEvent {
            $kind = ChangeKind::from($body['kind']);
            $from = \is_string($body['from'] ?? null) ? new \DateTimeImmutable($body['from']) : null;
            $until = \is_string($body['until'] ?? null) ? new \DateTimeImmutable($body['until']) : null;
            try {
                $kind->asksFor($from, $until, isset($body['plateId']));
            } catch (BadChange $bad) {
                throw Problem::invalid($bad->field, $bad->sentence, previous: $bad);
            }

            return new ChangeEvent(
                $key,
                $this->now->time(),
                $this->edit->find(Printer::class, $id),
                $kind,
                $this->current->author(),
                $body['note'],
                ChangeKind::LevelledForPlate === $kind ? $this->edit->reference(Plate::class, $body['plateId'], 'plateId') : null,
                ChangeKind::MachineFault === $kind ? $from : null,
                ChangeKind::MachineFault === $kind ? $until : null,
            );
        });

        return new Answer([...$event->toArray(), 'runs' => $this->madeDuring($event)], $new ? 201 : 200);
    }

    /** @return list<array<string, mixed>> runs that ended while the machine was at fault */
    private function madeDuring(ChangeEvent $event): array
    {
        if (null === $event->faultFrom || null === $event->faultUntil) {
            return [];
        }
        /** @var list<Run> $runs */
        $runs = $this->entities->createQuery('SELECT r FROM '
            .Run::class
            .' r JOIN r.comparison c WHERE c.printer = :p AND r.status = :done AND r.finishedAt BETWEEN :from AND :until ORDER BY r.finishedAt')
            ->setParameter('p', $event->printer->id, 'uuid')->setParameter('done', RunStatus::Done)
            ->setParameter('from', $event->faultFrom, 'utc')->setParameter('until', $event->faultUntil, 'utc')->setMaxResults(200)->getResult();

        return array_map(
            static fn (Run $run): array => [
                'id' => $run->id->toRfc4122(),
                'name' => Sentence::of('run.of', run: Quantity::count($run->position), comparison: $run->comparison->title),
            ],
            $runs,
        );
    }
}
