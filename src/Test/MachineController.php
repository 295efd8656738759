<?php

declare(strict_types=1);

namespace App\Test;

use App\Account\Author;
use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\Printer;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Test\Life\JobLife;
use Sitzplatz\Test\Life\JobStatus;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Printers report begin and end of their prints with a token of their own; how one came out, only a person says. */
final readonly class MachineController
{
    /** A print that somebody began by hand is the one that the printer begins, up to so long afterwards. */
    private const SAME_WITHIN = '-12 hours';
    /** No print is over sooner, and its plate free for the next. */
    private const SOONEST = '-1 minute';
    /** A week of a busy printer. */
    private const MOST_UNANSWERED = 50;

    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private Transaction $transaction,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/printers/{id}/token', name: 'makePrinterToken', methods: ['POST'])]
    public function make(string $id): Answer
    {
        $printer = $this->edit->find(Printer::class, $id);
        $secret = $this->transaction->run(function () use ($printer): string {
            // Of several at once the last one stands, and no other.
            $this->entities->lock($printer, LockMode::PESSIMISTIC_WRITE);
            $this->withdrawAll($printer);
            [$token, $secret] = PrinterToken::make(Uuid::v7(), $this->now->time(), $printer, $this->current->author());
            $this->entities->persist($token);
            $this->audit->note('printer token made', $printer->id, ['printer' => $printer->name]);
            $this->entities->flush();

            return $secret;
        });

        return new Answer(['token' => $secret], 201);
    }

    #[Route('/api/printers/{id}/token/withdraw', name: 'withdrawPrinterToken', methods: ['POST'])]
    public function withdraw(string $id): Answer
    {
        $printer = $this->edit->find(Printer::class, $id);
        $count = $this->transaction->run(function () use ($printer): int {
            $this->entities->lock($printer, LockMode::PESSIMISTIC_WRITE);
            $count = $this->withdrawAll($printer);
            $this->audit->note('printer token withdrawn', $printer->id, ['printer' => $printer->name]);
            $this->entities->flush();

            return $count;
        });

        return new Answer(['withdrawn' => $count]);
    }

    #[Route('/api/machine/prints', name: 'reportPrint', methods: ['POST'])]
    public function report(Request $request): Answer
    {
        $printer = $this->printerOf((string) $request->headers->get('Authorization', ''));
        $body = $this->contract->body($request);
        [$job, $new] = $this->transaction->run(function () use ($printer, $body): array {
            // Two reports of one printer come one after the other.
            $this->entities->lock($printer, LockMode::PESSIMISTIC_WRITE);
            $found = $this->job($printer, ['machineKey' => $body['key']]);
            $job = 'begin' === $body['event'] ? $found ?? $this->begun($printer, $body) : $this->ended($found, $body);
            $this->entities->flush();

            return [$job, null === $found && $job->assumed];
        });

        return new Answer(['id' => $job->id->toRfc4122(), 'status' => $job->status->value, 'assumed' => $job->assumed], $new ? 201 : 200);
    }

    private function withdrawAll(Printer $printer): int
    {
        $tokens = $this->entities->getRepository(PrinterToken::class)->findBy(['printer' => $printer, 'withdrawnAt' => null]);
        foreach ($tokens as $token) {
            $token->withdrawnAt = $this->now->time();
        }

        return \count($tokens);
    }

    private function printerOf(string $header): Printer
    {
        $secret = str_starts_with($header, 'Bearer ') ? substr($header, 7) : '';
        $token = '' === $secret ? null : $this->entities->getRepository(PrinterToken::class)->findOneBy([
            'digest' => PrinterToken::digestOf($secret),
            'withdrawnAt' => null,
        ]);

        return $token->printer ?? throw new Problem(
            401,
            'No such token',
            'Send the token of the printer as "Authorization: Bearer …". A lead makes it on the shelf.',
        );
    }

    /** @param array<string, mixed> $body */
    private function begun(Printer $printer, array $body): Job
    {
        $now = $this->now->time();
        $byHand = $this->job($printer, ['status' => JobStatus::Open, 'machineKey' => null]);
        if (null !== $byHand && $byHand->createdAt >= $now->modify(self::SAME_WITHIN)) {
            $byHand->machineBegins($body['key'], $now);

            return $byHand;
        }
        $last = $this->job($printer, []) ?? throw Problem::invalid(
            '',
            'Nothing is known of what lies on this printer. Begin one print of it in Choose; the next ones are taken to be like it.',
            409,
        );
        if ($last->assumed && null === $last->reportedMinutes && $last->createdAt > $now->modify(self::SOONEST)) {
            throw Problem::invalid(
                'key',
                'This printer began another print less than a minute ago. Report the end of one before the begin of the next.',
                409,
            );
        }
        $unanswered = $this->entities->getRepository(Job::class)->count(['printer' => $printer, 'status' => JobStatus::Open, 'assumed' => true]);
        if ($unanswered >= self::MOST_UNANSWERED) {
            throw Problem::invalid(
                'key',
                \sprintf('%d prints of this printer wait for somebody to say how they came out. No more are begun until then.', $unanswered),
                409,
            );
        }
        $job = Job::likeLast(Uuid::v7(), $now, $last, new Author($printer->id, $printer->name));
        $job->title = $body['title'] ?? $last->title;
        $job->plannedMinutes = isset($body['minutes']) ? (float) $body['minutes'] : null;
        $job->machineBegins($body['key'], $now);
        $this->entities->persist($job);

        return $job;
    }

    /** @param array<string, mixed> $body */
    private function ended(?Job $job, array $body): Job
    {
        $job ?? throw Problem::invalid('key', 'No print of this key was begun. Report its begin first.', 404);
        $now = $this->now->time();
        $minutes = RunCommands::asked(static fn (): float => JobLife::reported($job->state($now), isset($body['minutes']) ? (float) $body['minutes'] : null));
        $job->machineEnds($minutes);

        return $job;
    }

    /** @param array<string, mixed> $with */
    private function job(Printer $printer, array $with): ?Job
    {
        return $this->entities->getRepository(Job::class)->findOneBy(['printer' => $printer] + $with, ['createdAt' => 'DESC', 'id' => 'DESC']);
    }
}
