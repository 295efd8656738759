<?php

declare(strict_types=1);

namespace App\Start;

use App\Account\CurrentUser;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\StoredId;
use App\Platform\Http\Answer;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Goes over to another printer: what lies there comes with it. */
final readonly class BenchSwitchController
{
    private const ROOM_C = 20.0;

    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private CurrentUser $current,
    ) {
    }

    #[Route('/api/bench/printer', name: 'switchBench', methods: ['PUT'])]
    public function switch(Request $request): Answer
    {
        $printer = $this->edit->reference(Printer::class, $this->contract->body($request)['printerId'], 'printerId');
        $user = $this->current->get();
        $id = $printer->id->toRfc4122();
        $bench = [
            'printerId' => $id,
            ...$this->inUse($user->lastOn($id) ?? $this->lastCompared($printer) ?? ['plateSideId' => null, 'agentId' => null, 'lotId' => null]),
            'roomC' => $user->bench()['roomC'] ?? self::ROOM_C,
        ];
        $user->layOnBench($bench);
        $this->entities->flush();

        return new Answer($bench);
    }

    /** @return array{plateSideId: ?string, agentId: ?string, lotId: ?string}|null the first setup of what was compared there last */
    private function lastCompared(Printer $printer): ?array
    {
        $row = $this->entities->getConnection()->fetchAssociative(
            "SELECT s.side_id, s.agent_id, c.lot_id FROM comparison c JOIN setup s ON s.comparison_id = c.id
             WHERE c.printer_id = ? AND c.status <> 'draft' ORDER BY c.created_at DESC, c.id DESC, s.label LIMIT 1",
            [$printer->id->toBinary()],
        );

        return false === $row ? null : [
            'plateSideId' => StoredId::text($row['side_id']),
            'agentId' => StoredId::textOrNull($row['agent_id']),
            'lotId' => StoredId::text($row['lot_id']),
        ];
    }

    /**
     * @param array{plateSideId: ?string, agentId: ?string, lotId: ?string} $lay
     *
     * @return array{plateSideId: ?string, agentId: ?string, lotId: ?string} without what was put away since
     */
    private function inUse(array $lay): array
    {
        $here = fn (string $sql, ?string $id): ?string => null !== $id && false !== $this->entities->getConnection()->fetchOne(
            $sql,
            [StoredId::bytes($id)],
        ) ? $id : null;

        return [
            'plateSideId' => $here('SELECT 1 FROM plate_side s JOIN plate p ON p.id = s.plate_id WHERE s.id = ? AND p.retired = 0', $lay['plateSideId']),
            'agentId' => $here('SELECT 1 FROM agent_stock WHERE id = ? AND retired = 0', $lay['agentId']),
            'lotId' => $here('SELECT 1 FROM lot WHERE id = ? AND retired = 0', $lay['lotId']),
        ];
    }
}
