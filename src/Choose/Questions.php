<?php

declare(strict_types=1);

namespace App\Choose;

use App\Catalogue\ShopCatalogue;
use App\Keep\ProfileMatch;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Problem;
use App\Shelf\PlateRepository;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Choose\Request\JobOnPrinter;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Keep\Job;

/** Puts a request together with what the shop has on the shelf and knows by its runs and profiles. */
final readonly class Questions
{
    public function __construct(
        private EntityManagerInterface $entities,
        private StoredEdit $edit,
        private ShopCatalogue $shop,
        private AskedJob $asked,
        private SidesToday $sides,
        private AgentsOnShelf $agents,
        private OwnRunsRepository $ownRuns,
        private ProfileMatch $profiles,
        private PlateRepository $plates,
    ) {
    }

    /** @param array<string, mixed> $body a request that has passed the contract; without a printer: on any */
    public function of(array $body): Question
    {
        return null === $body['printerId']
            ? $this->put($body, $this->printers($body), true)
            : $this->put($body, [$this->edit->reference(Printer::class, $body['printerId'], 'printerId')], false);
    }

    /** @param array<string, mixed> $body the same on all printers but the one that it names */
    public function elsewhere(array $body): Question
    {
        return $this->put($body, array_values(array_filter(
            $this->printers($body),
            static fn (Printer $printer): bool => $printer->id->toRfc4122() !== $body['printerId'],
        )), true);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return list<Printer> in use that print the kind of material
     */
    private function printers(array $body): array
    {
        $material = $this->shop->get()->materials[$body['materialId']] ?? null;

        return $this->entities->getRepository(Printer::class)->findBy(
            ['retired' => false, 'kind' => false === $material?->filament ? Printer::RESIN : Printer::FILAMENT],
            ['name' => 'ASC'],
        );
    }

    /**
     * @param array<string, mixed> $body
     * @param list<Printer>        $printers
     */
    private function put(array $body, array $printers, bool $any): Question
    {
        $catalogue = $this->shop->get();
        if (!isset($catalogue->materials[$body['materialId']])) {
            throw Problem::invalid('materialId', 'The catalogue has no such material: choose one from the list.');
        }
        $stock = $this->agents->byKind($body['agent'] ?? null);
        if ([] === $printers) {
            return new Question($catalogue, [], $stock, $this->ownRuns->experience($body['materialId']), [], 0, $any);
        }
        $jobs = $this->asked->on($printers, $catalogue, $body);
        $onShelf = $this->plates->sidesOnShelf();
        $profiles = $this->profiles->forJobs($body['materialId'], array_map(static fn (JobRequest $job): Job => new Job(
            $job->lotId,
            $job->printer->id,
            $job->roomC,
            $job->printer->enclosed,
            $job->minutes,
            $job->partCount,
            array_map(static fn (Material $each): string => $each->id, $job->also),
        ), $jobs), $onShelf);
        $sides = $this->sides->onEach($printers, $any, $onShelf);

        return new Question(
            $catalogue,
            array_map(static fn (JobRequest $job): JobOnPrinter => new JobOnPrinter($job, $sides[$job->printer->id]), $jobs),
            $stock,
            $this->ownRuns->experience(
                $body['materialId'],
                $profiles['seats'],
                array_map(static fn (Material $each): string => $each->id, $jobs[0]->also),
            ),
            $profiles['shown'],
            $profiles['count'],
            $any,
        );
    }
}
