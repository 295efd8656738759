<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Http\Problem;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** Whoever is asking. */
final readonly class CurrentUser
{
    public function __construct(private Security $security, private UserPasswordHasherInterface $hasher, private SignInThrottle $throttle)
    {
    }

    public function get(): User
    {
        $user = $this->security->getUser();
        if (!$user instanceof User) {
            throw new Problem(401, 'Not signed in', 'Sign in first.');
        }

        return $user;
    }

    public function author(): Author
    {
        return Author::of($this->get());
    }

    /** @throws Problem if the user is no lead, or the password does not fit */
    public function leadSigning(string $password): User
    {
        $user = $this->get();
        if (Role::Lead !== $user->role) {
            throw Problem::forbidden('Only a lead signs a profile. Ask a lead.');
        }
        $this->provesPassword($password, 'password', 'The password does not fit. Nothing was signed.');

        return $user;
    }

    /**
     * Whoever is signed in says the own password again. Guesses here are counted apart from those at the door: nobody outside
     * keeps a lead from signing.
     *
     * @throws Problem if it does not fit, or too many did not
     */
    public function provesPassword(string $password, string $field, string $otherwise): void
    {
        $user = $this->get();
        $fits = $this->throttle->guarded(
            'session of '.$user->id->toRfc4122(),
            '',
            fn (): bool => $this->hasher->isPasswordValid($user, $password),
        );
        if (!$fits) {
            throw Problem::invalid($field, $otherwise);
        }
    }
}
