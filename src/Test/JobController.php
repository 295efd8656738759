<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\KeyedPage;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Now;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateSide;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobLife;
use Sitzplatz\Test\Life\JobStatus;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlateSpot;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The everyday log of prints for use: what is open, and how each came out, in two touches. */
final readonly class JobController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private KeyedPage $page,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/jobs', name: 'listJobs', methods: ['GET'])]
    public function list(Request $request): Answer
    {
        $status = JobStatus::tryFrom($request->query->getString('status'));
        $ids = $this->page->ids(
            'job t JOIN printer p ON p.id = t.printer_id JOIN plate_side ps ON ps.id = t.side_id
             JOIN plate pl ON pl.id = ps.plate_id LEFT JOIN lot l ON l.id = t.lot_id',
            'job',
            "CONCAT_WS(' ', t.title, p.name, pl.number, l.label, REPLACE(t.material_id, '_', ' '))",
            $request->query->getString('find'),
            $request->query->getString('after'),
            null === $status ? '' : 't.status = ?',
            null === $status ? [] : [$status->value],
        );

        return new Answer(array_map(
            static fn (Job $job): array => $job->toArray(),
            KeyedPage::ordered($ids, $this->rows($ids)),
        ));
    }

    /**
     * @param list<string> $ids as they are stored
     *
     * @return list<Job> with all that is shown of them
     */
    private function rows(array $ids): array
    {
        /* @var list<Job> */
        return $this->entities->createQuery(
            'SELECT j, p, s, f, pl, a, l, m, h FROM '.Job::class.' j JOIN j.printer p JOIN j.side s LEFT JOIN s.fitting f JOIN s.plate pl
             LEFT JOIN j.agent a LEFT JOIN j.lot l LEFT JOIN j.marks m LEFT JOIN j.photos h WHERE j.id IN (:ids)',
        )->setParameter('ids', $ids)->getResult();
    }

    #[Route('/api/jobs/{id}/answer', name: 'answerJob', methods: ['POST'])]
    public function answer(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $held = (float) ($body['heldSeconds'] ?? 0);
        // However long it was kept, it is the same answer.
        unset($body['heldSeconds']);
        $job = $this->edit->save(Job::class, $id, $body, function (Job $job) use ($body, $held): void {
            $at = $this->touched($job, $held);
            $outcome = Outcome::from($body['outcome']);
            $marks = RunCommands::asked(static fn () => JobLife::marks(array_map(static fn (array $mark): array => [
                'kind' => MarkKind::from($mark['kind']),
                'x' => (float) $mark['x'],
                'y' => (float) $mark['y'],
                'place' => $mark['place'] ?? null,
            ], array_values($body['marks'] ?? [])), $job->parts, $outcome));
            $answer = RunCommands::asked(static fn () => JobLife::answer(
                $job->state($at),
                $outcome,
                isset($body['effort']) ? Effort::from($body['effort']) : null,
                $body['damaged'] ?? false,
                $marks,
            ));
            foreach ($marks as $mark) {
                $job->marks->add(new JobMark(Uuid::v7(), $at, $job, $mark));
            }
            $job->liftMm = Number::orNull($body['liftMm'] ?? null);
            // Of several parts none stood alone.
            $job->spot = 1 === $job->parts && isset($body['spot']) ? PlateSpot::from($body['spot']) : null;
            $job->answer($answer, $body['note'] ?? '', $this->current->author(), $at);
        });

        return new Answer($job->toArray());
    }

    #[Route('/api/jobs/{id}/setup', name: 'sayJobSetup', methods: ['PUT'])]
    public function setup(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $job = $this->edit->save(Job::class, $id, $body, function (Job $job) use ($body): void {
            RunCommands::asked(fn () => JobLife::sayHow($job->state($this->now->time()), $job->assumed));
            $job->isWith(
                $this->edit->reference(PlateSide::class, $body['plateSideId'], 'plateSideId'),
                null === $body['agentId'] ? null : $this->edit->reference(AgentStock::class, $body['agentId'], 'agentId'),
                null === $body['lotId'] ? null : $this->edit->reference(Lot::class, $body['lotId'], 'lotId'),
                Number::orNull($body['bedC']),
            );
            $this->audit->note('job setup said', $job->id, ['plate' => $job->side->label()]);
        });

        return new Answer($job->toArray());
    }

    #[Route('/api/jobs/{id}/drop', name: 'dropJob', methods: ['POST'])]
    public function drop(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $held = (float) ($body['heldSeconds'] ?? 0);
        unset($body['heldSeconds']);
        $job = $this->edit->save(Job::class, $id, $body, function (Job $job) use ($body, $held): void {
            $at = $this->touched($job, $held);
            RunCommands::asked(static fn () => JobLife::drop($job->state($at)));
            $job->drop($body['reason'], $this->current->author(), $at);
            $this->audit->note('job dropped', $job->id, ['reason' => $body['reason']]);
        });

        return new Answer($job->toArray());
    }

    /** When it was touched, if a device without network kept it. */
    private function touched(Job $job, float $heldSeconds): \DateTimeImmutable
    {
        return RunCommands::touched($job->createdAt, $this->now->time(), $heldSeconds);
    }
}
