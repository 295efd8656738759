<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Audit;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Where somebody is signed in, to end what is not theirs any more; a lead sees and ends those of everybody. */
final readonly class OpenSessionController
{
    public function __construct(
        private OpenSessions $sessions,
        private CurrentUser $current,
        private StoredEdit $edit,
        private EntityManagerInterface $entities,
        private Audit $audit,
    ) {
    }

    #[Route('/api/sessions', name: 'listSessions', methods: ['GET'])]
    public function list(Request $request): Answer
    {
        $user = $this->current->get();
        $here = $this->sessions->here($request);

        return new Answer(array_map(static fn (OpenSession $each): array => [
            'id' => $each->id->toRfc4122(),
            'person' => $each->user->displayName,
            'own' => $each->user->id->equals($user->id),
            'here' => null !== $here && $each->id->equals($here),
            'handheld' => $each->handheld,
            'address' => $each->address,
            'begunAt' => $each->createdAt->format(\DATE_ATOM),
            'seenAt' => $each->seenAt->format(\DATE_ATOM),
        ], $this->sessions->standing(Role::Lead === $user->role ? null : $user)));
    }

    #[Route('/api/sessions/{id}', name: 'endSession', methods: ['DELETE'])]
    public function end(string $id): JsonResponse
    {
        $user = $this->current->get();
        $session = $this->edit->find(OpenSession::class, $id);
        if (Role::Lead !== $user->role && !$session->user->id->equals($user->id)) {
            // Whose it is, is nobody else's business.
            throw Problem::notFound();
        }
        $this->sessions->endOne($session->id);
        $this->audit->note('session ended', $session->user->id, ['address' => $session->address]);
        $this->entities->flush();

        return new JsonResponse(null, 204);
    }
}
