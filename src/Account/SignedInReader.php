<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Words\Reader;
use App\Platform\Words\Units;
use Symfony\Bundle\SecurityBundle\Security;

/** Whoever is signed in reads in the units they prefer; a command, or somebody not known yet, in SI. */
final readonly class SignedInReader implements Reader
{
    public function __construct(private Security $security)
    {
    }

    public function units(): Units
    {
        $user = $this->security->getUser();

        return $user instanceof User ? Units::preferred($user->preferences) : new Units();
    }

    public function locale(): string
    {
        return 'en';
    }
}
