<?php

declare(strict_types=1);

namespace App\Care;

use App\Catalogue\CatalogueLoader;
use App\Catalogue\ShopCatalogue;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Shelf\AgentStock;
use App\Shelf\PlateSide;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Care\Procedure;
use Sitzplatz\Care\ProcedureStep;
use Sitzplatz\Catalogue\Agent;
use Symfony\Component\Routing\Attribute\Route;

/** How things are done to a side of a plate, as it is now. */
final readonly class ProcedureController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private StoredEdit $edit,
        private CatalogueLoader $loader,
        private ShopCatalogue $shop,
        private PlateHistory $history,
    ) {
    }

    #[Route('/api/plate-sides/{id}/procedures', name: 'listProcedures', methods: ['GET'])]
    public function list(string $id): Answer
    {
        $side = $this->edit->find(PlateSide::class, $id);
        $catalogue = $this->shop->get();
        $surface = $catalogue->surface($side->current()->surfaceId);
        $coat = $catalogue->agents[$this->history->all($side)[$side->id->toRfc4122()]->coatAgentKindId ?? ''] ?? null;
        $stock = array_values($this->entities->getRepository(AgentStock::class)->findBy(['retired' => false], ['name' => 'ASC']));
        $kinds = array_map(static fn (AgentStock $each): Agent => $catalogue->agent($each->kindId), $stock);
        $build = $side->facts($catalogue)->build($surface);
        $all = array_filter($this->all(), static fn (Procedure $each): bool => $each->suits($surface, $coat, $kinds, $build));

        return new Answer(array_map(static fn (Procedure $procedure): array => [
            'id' => $procedure->id,
            'title' => $procedure->title,
            'kind' => $procedure->kind,
            'effect' => $procedure->effect,
            'cleanerId' => $procedure->cleaner,
            'agentId' => self::stockOf($procedure, $stock, $kinds),
            'minutes' => array_sum(array_map(static fn (ProcedureStep $step): float => $step->minutes ?? 1.0, $procedure->steps)),
            'tools' => $procedure->tools,
            'steps' => array_map(static fn (ProcedureStep $step): array => [
                'do' => $step->on($build),
                'minutes' => $step->minutes,
                'caution' => $step->caution,
            ], $procedure->steps),
        ], array_values($all)));
    }

    /**
     * @param list<AgentStock> $stock
     * @param list<Agent>      $kinds of the stock
     *
     * @return string|null what it is coated with; null: it is no coat
     */
    private static function stockOf(Procedure $procedure, array $stock, array $kinds): ?string
    {
        foreach ('coat' === $procedure->effect ? $kinds : [] as $i => $kind) {
            if ($procedure->isOf($kind)) {
                return $stock[$i]->id->toRfc4122();
            }
        }

        return null;
    }

    /** @return list<Procedure> */
    private function all(): array
    {
        /**
         * @var list<array{
         *     id: string, title: string, kind: string, cleaner?: string, agents?: list<string>, surfaces?: list<string>, effect: string,
         *     tools: list<string>, steps: list<array{do: string, minutes?: int|float, caution?: string, fixed?: string}>, away?: bool,
         * }> $rows held to this by the schema of the catalogue
         */
        $rows = $this->loader->data()['procedures'];

        return array_map(Procedure::fromArray(...), $rows);
    }
}
