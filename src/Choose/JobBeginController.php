<?php

declare(strict_types=1);

namespace App\Choose;

use App\Account\CurrentUser;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Test\AlsoPrinted;
use App\Test\Job;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Heat\HeatUse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Begins a print for use with a setup that Choose showed; what is said of it now is kept, to be held against what comes of it. */
final readonly class JobBeginController
{
    public function __construct(
        private Contract $contract,
        private Questions $questions,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private CurrentUser $current,
        private Now $now,
    ) {
    }

    #[Route('/api/jobs', name: 'beginJob', methods: ['POST'])]
    public function begin(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$job, $new] = $this->creation->create(Job::class, $body, function (Uuid $id) use ($body): Job {
            $question = $this->questions->of($body['asked']);
            // Their order does not matter here, and costs most of the time.
            $ranking = $question->ranking(1);
            $candidate = $question->found($ranking, $body['key']);
            if (!$candidate instanceof Candidate) {
                throw Problem::invalid('key', 'This setup is not among those that may be used for the job any more. Look at the list again.', 409);
            }

            return $this->job($id, $candidate, $ranking->heatUse($candidate), $question->stock, $body);
        });

        return new Answer($job->toArray(), $new ? 201 : 200);
    }

    /**
     * @param array<string, AgentStock> $stock by kind
     * @param array<string, mixed>      $body
     */
    private function job(Uuid $id, Candidate $candidate, ?HeatUse $heat, array $stock, array $body): Job
    {
        $proposal = $candidate->proposal;
        $asked = $proposal->job;
        $job = new Job(
            $id,
            $this->now->time(),
            $this->edit->reference(Printer::class, $asked->printer->id, 'asked.printerId'),
            $this->edit->reference(PlateSide::class, $proposal->side->id, 'key'),
            $body['asked']['materialId'],
            $this->current->author(),
        );
        $job->title = $body['title'];
        $job->agent = null === $proposal->agent ? null : $stock[$proposal->agent->id] ?? null;
        $lotId = $body['asked']['lotId'] ?? null;
        $job->lot = null === $lotId ? null : $this->edit->reference(Lot::class, $lotId, 'asked.lotId');
        $job->alsoMaterials = AlsoPrinted::word(array_values(array_diff($body['asked']['alsoMaterialIds'] ?? [], [$job->materialId])));
        $filament = $asked->material->filament;
        $job->bedFirstC = $filament ? $candidate->target->displayC : null;
        $job->bedOtherC = $filament ? $proposal->bedOtherC ?? $candidate->target->displayC : null;
        $job->exposureS = $filament ? null : $candidate->target->at;
        $job->roomC = $asked->roomC;
        $job->hasEnclosure = $asked->printer->enclosed;
        $job->chamberC = $asked->printer->chamberC;
        [$job->warmWh, $job->drawsW] = [$heat?->warmWh, $heat?->drawsW];
        $job->parts = $asked->partCount;
        $job->plannedMinutes = $asked->minutes;
        $job->saidChance = $candidate->chance;
        $job->measures = $candidate->moved->measures();
        $job->practiceChance = $candidate->practiceChance();
        $job->basis = $candidate->basis();

        return $job;
    }
}
