<?php

declare(strict_types=1);

namespace App\Care;

use App\Account\CurrentUser;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\PlateRepository;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Care\CareDue;
use Sitzplatz\Catalogue\Catalogue;
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
        private Catalogue $catalogue,
        private CurrentUser $current,
        private Now $now,
    ) {
    }

    #[Route('/api/care', name: 'getCare', methods: ['GET'])]
    public function get(): Answer
    {
        $history = $this->history->all();
        $changes = $this->entities->getRepository(ChangeEvent::class)->findBy([], ['createdAt' => 'DESC'], 20);

        return new Answer([
            'sides' => array_map(function (PlateSide $side) use ($history): array {
                $counts = $history[$side->id->toRfc4122()];
                $surface = $this->catalogue->surface($side->current()->surfaceId);

                return [
                    'plateSideId' => $side->id->toRfc4122(),
                    'label' => $side->label(),
                    'surfaceName' => $surface->name,
                    'cleaning' => $surface->cleaning,
                    'printsSinceFitting' => $counts['fitting'],
                    'printsSinceWash' => $counts['wash'],
                    'printsSinceCoat' => $counts['coat'],
                    'coatAgent' => $counts['coatAgent'],
                    'lastWash' => $counts['lastWash'],
                    'due' => (new CareDue($counts['wash'], $counts['coat']))->sentences(),
                ];
            }, $this->plates->sidesInUse()),
            'changes' => array_map(static fn (ChangeEvent $change): array => $change->toArray(), $changes),
        ]);
    }

    #[Route('/api/plate-sides/{id}/care', name: 'noteCare', methods: ['POST'])]
    public function note(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$event, $new] = $this->creation->create(CareEvent::class, $body, fn (Uuid $key): CareEvent => new CareEvent(
            $key,
            $this->now->time(),
            $this->edit->find(PlateSide::class, $id),
            $body['kind'],
            null === $body['agentId'] ? null : $this->edit->reference(AgentStock::class, $body['agentId'], 'agentId'),
            $this->current->get()->displayName,
            $body['note'],
        ));

        return new Answer(['id' => $event->id->toRfc4122()], $new ? 201 : 200);
    }

    #[Route('/api/printers/{id}/changes', name: 'noteChange', methods: ['POST'])]
    public function change(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$event, $new] = $this->creation->create(ChangeEvent::class, $body, fn (Uuid $key): ChangeEvent => new ChangeEvent(
            $key,
            $this->now->time(),
            $this->edit->find(Printer::class, $id),
            $body['kind'],
            $this->current->get()->displayName,
            $body['note'],
        ));

        return new Answer($event->toArray(), $new ? 201 : 200);
    }
}
