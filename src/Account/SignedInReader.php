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
        // What a device asks for is anybody's text, and what is no language has no way to write a date.
        foreach ([$preferred, ...($this->requests->getCurrentRequest()?->getLanguages() ?? [])] as $asked) {
            $locale = str_replace('-', '_', $asked);
            if (1 === preg_match('/^([a-z]{2,3})(_[A-Z][a-z]{3})?(_[A-Z]{2})?$/D', $locale, $part) && isset(self::languages()[$part[1]])) {
                return $locale;
            }
        }

        return self::USUAL;
    }

    /** @return array<string, true> that figures and dates are known to be written in */
    private static function languages(): array
    {
        static $languages = null;

        return $languages ??= array_fill_keys(array_map(
            static fn (string $locale): string => explode('_', $locale)[0],
            \ResourceBundle::getLocales('') ?: [self::USUAL],
        ), true);
    }
}
