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
    public function leadSigning(string $password, string $address): User
    {
        $user = $this->get();
        if (Role::Lead !== $user->role) {
            throw Problem::forbidden('Only a lead signs a profile. Ask a lead.');
        }
        $this->throttle->check($user->name, $address);
        if (!$this->hasher->isPasswordValid($user, $password)) {
            $this->throttle->failed($user->name, $address);
            throw Problem::invalid('password', 'The password does not fit. Nothing was signed.');
        }
        $this->throttle->succeeded($user->name);

        return $user;
    }
}
