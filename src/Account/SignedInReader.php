<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Words\Reader;
use App\Platform\Words\Units;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\RequestStack;

/**
 * Whoever is signed in reads in the units and the locale they prefer, else in the locale that their device asks for; a
 * command, or somebody not known yet, in SI.
 */
final readonly class SignedInReader implements Reader
{
    private const USUAL = 'en';

    public function __construct(private Security $security, private RequestStack $requests)
    {
    }

    public function units(): Units
    {
        $user = $this->security->getUser();

        return $user instanceof User ? Units::preferred($user->preferences) : new Units();
    }

    public function locale(): string
    {
        $user = $this->security->getUser();
        $preferred = $user instanceof User ? ($user->preferences['locale'] ?? '') : '';
        if ('' !== $preferred) {
            return \Locale::canonicalize($preferred) ?? self::USUAL;
        }

        return $this->requests->getCurrentRequest()?->getLanguages()[0] ?? self::USUAL;
    }
}
