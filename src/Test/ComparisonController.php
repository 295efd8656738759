<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Now;
use App\Shelf\Lot;
use App\Shelf\Printer;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\PullKind;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Comparisons: planned, started, extended, closed with a verdict. */
final readonly class ComparisonController
{
    public function __construct(
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private ComparisonView $view,
        private ComparisonBook $book,
        private ComparisonPlan $plan,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
        private ComparisonRows $rows,
    ) {
    }

    #[Route('/api/comparisons', name: 'listComparisons', methods: ['GET'])]
    public function list(Request $request): Answer
    {
        return new Answer($this->rows->page($request->query->getString('find'), $request->query->getString('after'), false));
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
            $this->plan->apply($comparison, $body);
            $this->audit->note('comparison planned', $id, ['title' => $body['title']]);

            return $comparison;
        });

        return new Answer($this->view->of($comparison), $new ? 201 : 200);
    }

    #[Route('/api/comparisons/{id}', name: 'getComparison', methods: ['GET'])]
    public function get(string $id): Answer
    {
        return new Answer($this->view->of($this->edit->find(Comparison::class, $id)));
    }

    #[Route('/api/comparisons/{id}', name: 'updateComparison', methods: ['PUT'])]
    public function update(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison) use ($body): void {
            RunCommands::asked(static fn () => ComparisonLife::replan($comparison->status));
            $comparison->lot = $this->edit->reference(Lot::class, $body['lotId'], 'lotId');
            $comparison->printer = $this->edit->reference(Printer::class, $body['printerId'], 'printerId');
            $this->plan->apply($comparison, $body);
            $this->audit->note('comparison replanned', $comparison->id, ['title' => $body['title']]);
        });

        return new Answer($this->view->of($comparison));
    }

    #[Route('/api/comparisons/{id}/start', name: 'startComparison', methods: ['POST'])]
    public function start(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison): void {
            $this->book->plan($comparison, RunCommands::asked(fn (): array => ComparisonLife::start($this->book->state($comparison))), $this->now->time());
            $comparison->status = ComparisonStatus::Running;
            $comparison->startedAt = $this->now->time();
            $this->audit->note('comparison started', $comparison->id);
        });

        return new Answer($this->view->of($comparison));
    }

    #[Route('/api/comparisons/{id}/runs', name: 'addRuns', methods: ['POST'])]
    public function addRuns(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $this->creation->create(AddedRuns::class, $body, function (Uuid $key) use ($id, $body): AddedRuns {
            $comparison = $this->edit->locked(Comparison::class, $id);
            StoredEdit::rests($comparison, $body);
            $planned = RunCommands::asked(fn (): array => ComparisonLife::addRuns(
                $this->book->state($comparison),
                $body['setupId'],
                $body['count'],
                PullKind::tryFrom($body['pull']),
            ));
            $setup = $this->book->plan($comparison, $planned, $this->now->time())[0]->setup;
            $comparison->grewAfterVerdict = true;
            $comparison->status = ComparisonStatus::Running;
            $comparison->closedAt = null;
            ++$comparison->version;
            $this->audit->note('runs added', $comparison->id, ['setup' => $setup->label, 'count' => $body['count']]);

            return new AddedRuns($key, $this->now->time(), $comparison, $setup, $body['count'], $this->current->author()->id);
        });

        return new Answer($this->view->of($this->edit->find(Comparison::class, $id)));
    }
}
