<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\CsrfGuard;
use App\Platform\Http\Network;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Platform\Words\Wording;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Symfony\Component\Uid\Uuid;

/** Who is here: sign-in, sign-out, the first account, own preferences and the bench bar. */
final readonly class SessionController
{
    private const PREFERENCES = ['temperature' => '°C', 'force' => 'N', 'length' => 'mm', 'theme' => 'system', 'locale' => '', 'shortcuts' => true];
    private const BENCH = ['printerId' => null, 'plateSideId' => null, 'agentId' => null, 'lotId' => null, 'roomC' => 21.0];

    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private Security $security,
        private OpenSessions $sessions,
        private CsrfTokenManagerInterface $tokens,
        private UserPasswordHasherInterface $hasher,
        private NewPassword $rule,
        private Leads $leads,
        private Transaction $transaction,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
        private Wording $wording,
        private Network $network,
        private bool $demo,
        #[Autowire('%kernel.secret%'), \SensitiveParameter]
        private string $secret,
    ) {
    }

    #[Route('/api/session', name: 'getSession', methods: ['GET'])]
    #[Route('/api/session', name: 'openSession', methods: ['POST'])]
    #[Route('/api/demo-session', name: 'openDemoSession', methods: ['POST'])]
    public function session(): Answer
    {
        $user = $this->security->getUser();
        $signedIn = $user instanceof User;

        return new Answer([
            'user' => $signedIn ? $user->toArray() : null,
            'csrf' => $signedIn ? $this->tokens->getToken(CsrfGuard::TOKEN)->getValue() : null,
            'demo' => $this->demo && !$this->network->isFromOutside(),
            'needsFirstLead' => !$signedIn && 0 === $this->entities->getRepository(User::class)->count(),
            'preferences' => $signedIn ? [...self::PREFERENCES, ...$user->preferences] : self::PREFERENCES,
            'figures' => $this->wording->shown(),
            'bench' => $signedIn ? [...self::BENCH, ...$user->bench()] : self::BENCH,
            'sealKey' => $signedIn ? base64_encode(hash_hmac('sha256', 'sealed for '.$user->id->toRfc4122(), $this->secret, true)) : '',
        ]);
    }

    /** For the web server, before it takes a large body. */
    #[Route('/api/signed-in', name: 'isSignedIn', methods: ['GET'])]
    public function isSignedIn(): JsonResponse
    {
        return new JsonResponse(null, 204);
    }

    #[Route('/api/session', name: 'closeSession', methods: ['DELETE'])]
    public function close(Request $request): JsonResponse
    {
        if (null !== $this->security->getUser()) {
            $this->sessions->end($request);
            $this->security->logout(false);
        }

        return new JsonResponse(null, 204);
    }

    #[Route('/api/first-lead', name: 'createFirstLead', methods: ['POST'])]
    public function firstLead(Request $request): Answer
    {
        if ($this->network->isFromOutside()) {
            throw Problem::forbidden('The first account is made at the machine itself.');
        }
        $body = $this->contract->body($request);
        $user = $this->leads->first(fn (): User => $this->transaction->run(function () use ($body): User {
            $this->rule->check($body['password'], $body['name'], $body['displayName']);
            $user = new User(Uuid::v7(), $this->now->time(), $body['name'], $body['displayName'], Role::Lead);
            $user->passwordHash = $this->hasher->hashPassword($user, $body['password']);
            $this->entities->persist($user);
            $this->audit->note('account created', $user->id, ['role' => 'lead']);

            return $user;
        }));

        return new Answer($user->toArray(), 201);
    }

    #[Route('/api/preferences', name: 'savePreferences', methods: ['PUT'])]
    public function preferences(Request $request): Answer
    {
        $user = $this->current->get();
        /** @var array<string, string|bool> $body */
        $body = $this->contract->body($request);
        $user->preferences = $body;
        $this->entities->flush();

        return $this->session();
    }

    #[Route('/api/bench', name: 'saveBench', methods: ['PUT'])]
    public function bench(Request $request): Answer
    {
        $user = $this->current->get();
        /** @var array{printerId: ?string, plateSideId: ?string, agentId: ?string, lotId: ?string, roomC: float|int} $body */
        $body = $this->contract->body($request);
        $user->layOnBench($body);
        $this->entities->flush();

        return $this->session();
    }
}
