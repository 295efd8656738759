<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Http\Network;
use App\Platform\Http\Problem;
use App\Platform\Http\ProblemResponse;
use App\Platform\Words\Wording;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\UserProviderInterface;
use Symfony\Component\Security\Http\Authenticator\AbstractAuthenticator;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Passport;
use Symfony\Component\Security\Http\Authenticator\Passport\SelfValidatingPassport;
use Symfony\Component\Uid\NilUuid;

/** Sign-in with name and password, or with one button per role where the demo runs. */
final class SignIn extends AbstractAuthenticator
{
    /** Of the accounts that the demo begins with. */
    public const DEMO_PASSWORD = 'hilltop';

    /** @param UserProviderInterface<User> $users */
    public function __construct(
        private readonly Contract $contract,
        private readonly UserProviderInterface $users,
        private readonly PasswordHasherFactoryInterface $hashers,
        private readonly SignInThrottle $throttle,
        private readonly Audit $audit,
        private readonly EntityManagerInterface $entities,
        private readonly Wording $wording,
        private readonly Network $network,
        private readonly bool $demo,
    ) {
    }

    public function supports(Request $request): bool
    {
        return $request->isMethod('POST') && \in_array($request->attributes->get('_route'), ['openSession', 'openDemoSession'], true);
    }

    public function authenticate(Request $request): Passport
    {
        $body = $this->contract->body($request);
        if ('openDemoSession' === $request->attributes->get('_route')) {
            if (!$this->demo || $this->network->isFromOutside()) {
                throw Problem::notFound();
            }

            return new SelfValidatingPassport(new UserBadge((string) $body['role'], $this->users->loadUserByIdentifier(...)));
        }
        if ($this->demo && self::DEMO_PASSWORD === $body['password'] && $this->network->isFromOutside()) {
            throw Problem::forbidden('Everybody knows the password of the demo. Change it at the machine itself, then sign in here.');
        }
        $name = (string) $body['name'];
        $address = (string) $request->getClientIp();
        try {
            $user = $this->users->loadUserByIdentifier($name);
        } catch (UserNotFoundException) {
            $user = null;
        }
        // However it is spelt: what the database takes for one account is one.
        $fits = $this->throttle->guarded(null === $user ? $name : $user->name, $address, function () use ($user, $body): bool {
            $hasher = $this->hashers->getPasswordHasher(User::class);
            if (null === $user) {
                // An unknown name takes as long as a wrong password.
                $hasher->hash((string) $body['password']);

                return false;
            }

            return $hasher->verify($user->passwordHash, (string) $body['password']) && $user->active;
        });
        $known = $user instanceof User ? $user->id : new NilUuid();
        $fits
            ? $this->audit->note('signed in', $known, ['address' => $address], $name)
            : $this->audit->note('sign-in refused', $known, ['address' => $address, 'name' => mb_substr($name, 0, 60)], 'nobody');
        $this->entities->flush();
        if (!$fits || !$user instanceof User) {
            throw new BadCredentialsException();
        }

        return new SelfValidatingPassport(new UserBadge($user->getUserIdentifier(), static fn (): User => $user));
    }

    public function onAuthenticationSuccess(Request $request, TokenInterface $token, string $firewallName): ?Response
    {
        return null;
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return ProblemResponse::of(new Problem(401, 'Not signed in', 'Name and password do not fit. Check both, then try again.', [
            ['field' => 'password', 'message' => 'Name and password do not fit.'],
        ]), $this->wording);
    }
}
