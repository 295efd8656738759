<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Accounts, for leads. */
final readonly class UserController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private UserPasswordHasherInterface $hasher,
        private OpenSessions $sessions,
        private NewPassword $rule,
        private Leads $leads,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/users', name: 'listUsers', methods: ['GET'])]
    public function list(): Answer
    {
        $users = $this->entities->getRepository(User::class)->findBy([], ['name' => 'ASC']);

        return new Answer(array_map(static fn (User $user): array => $user->toArray(), $users));
    }

    #[Route('/api/users', name: 'createUser', methods: ['POST'])]
    public function create(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$user, $new] = $this->creation->create(User::class, $body, function (Uuid $id) use ($body): User {
            $this->rule->check($body['password'], $body['name'], $body['displayName']);
            $user = new User($id, $this->now->time(), $body['name'], $body['displayName'], Role::from($body['role']));
            $user->passwordHash = $this->hasher->hashPassword($user, $body['password']);
            $this->audit->note('account created', $id, ['role' => $body['role']]);

            return $user;
        });

        return new Answer($user->toArray(), $new ? 201 : 200);
    }

    #[Route('/api/users/{id}', name: 'updateUser', methods: ['PUT'])]
    public function update(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $own = $this->current->get()->id->toRfc4122() === $id;
        if ($own && ('lead' !== $body['role'] || !$body['active'])) {
            throw Problem::invalid('role', 'You cannot take the lead role from yourself. Ask another lead.');
        }

        return new Answer($this->edit->save(User::class, $id, $body, function (User $user) use ($body): void {
            if (Role::Lead === $user->role && $user->active && ('lead' !== $body['role'] || !$body['active'])) {
                $this->leads->staysOneBeside($user);
            }
            $newRole = $user->role->value !== $body['role'];
            $user->displayName = $body['displayName'];
            $user->role = Role::from($body['role']);
            $user->active = $body['active'];
            if (isset($body['password'])) {
                $this->rule->check($body['password'], $user->name, $body['displayName']);
                $user->passwordHash = $this->hasher->hashPassword($user, $body['password']);
            }
            if (!$user->active || $newRole || isset($body['password'])) {
                $this->sessions->endAllOf($user);
            }
            $this->audit->note('account changed', $user->id, ['role' => $body['role'], 'active' => $body['active'], 'newPassword' => isset($body['password'])]);
        })->toArray());
    }
}
