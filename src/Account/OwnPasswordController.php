<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Http\Problem;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Routing\Attribute\Route;

/** Whoever is signed in changes the own password; all other sessions of the account end with it. */
final readonly class OwnPasswordController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private CurrentUser $current,
        private NewPassword $rule,
        private UserPasswordHasherInterface $hasher,
        private Security $security,
        private OpenSessions $sessions,
        private Audit $audit,
    ) {
    }

    #[Route('/api/password', name: 'changeOwnPassword', methods: ['PUT'])]
    public function change(Request $request): JsonResponse
    {
        $body = $this->contract->body($request);
        $user = $this->current->get();
        $this->current->provesPassword((string) $body['old'], 'old', 'The old password does not fit. Nothing was changed.');
        $this->rule->check((string) $body['password'], $user->name, $user->displayName);
        if ($body['old'] === $body['password']) {
            throw Problem::invalid('password', 'This is the old one. Write another.');
        }
        $user->passwordHash = $this->hasher->hashPassword($user, (string) $body['password']);
        ++$user->version;
        $this->audit->note('own password changed', $user->id);
        $this->entities->flush();
        // The sessions of before know the old one and end; this one goes on.
        $this->sessions->endAllOf($user);
        $this->security->login($user, SignIn::class, 'main');

        return new JsonResponse(null, 204);
    }
}
