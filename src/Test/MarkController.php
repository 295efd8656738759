<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\MarkKind;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** The map of the plate on a run sheet: where a part failed, and where the plate or its coat was harmed. */
final readonly class MarkController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private RunCommands $commands,
        private RunSheetData $sheet,
        private Transaction $transaction,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/runs/{id}/marks', name: 'markPlate', methods: ['POST'])]
    public function mark(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $held = (float) ($body['heldSeconds'] ?? 0);
        // However long it was kept, it is the same mark.
        unset($body['heldSeconds']);
        [, $new] = $this->creation->create(PlateMark::class, $body, function (Uuid $key) use ($id, $body, $held): PlateMark {
            $this->commands->carryOut(
                $id,
                null,
                $this->current->author(),
                ReadingSource::typed($key),
                static fn (RunState $run): array => RunLife::mark(
                    $run,
                    MarkKind::from($body['kind']),
                    (float) $body['x'],
                    (float) $body['y'],
                    $body['place'] ?? null,
                ),
                $held,
            );

            return $this->edit->find(PlateMark::class, $key->toRfc4122());
        });

        return new Answer($this->sheet->of($this->edit->find(Run::class, $id)), $new ? 201 : 200);
    }

    #[Route('/api/marks/{id}/withdraw', name: 'withdrawMark', methods: ['POST'])]
    public function withdraw(string $id): Answer
    {
        $run = $this->transaction->run(function () use ($id): Run {
            $mark = $this->edit->find(PlateMark::class, $id);
            $this->edit->locked(Run::class, $mark->run->id->toRfc4122());
            if (null === $mark->withdrawnAt) {
                $mark->withdrawnAt = $this->now->time();
                $this->audit->note('mark withdrawn', $mark->run->id, ['mark' => $id, 'kind' => $mark->kind->value]);
                $this->entities->flush();
            }

            return $mark->run;
        });

        return new Answer($this->sheet->of($run));
    }
}
