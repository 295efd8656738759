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
        $preferred = $user instanceof User ? (string) ($user->preferences['locale'] ?? '') : '';
        $locale = str_replace('-', '_', '' === $preferred ? ($this->requests->getCurrentRequest()?->getLanguages()[0] ?? '') : $preferred);

        // What a device asks for is anybody's text.
        return 1 === preg_match('/^[a-z]{2,3}(_[A-Z][a-z]{3})?(_[A-Z]{2})?$/D', $locale) ? $locale : self::USUAL;
    }
}
