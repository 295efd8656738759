<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;

/** Every change below /api carries the token that the session was given. */
#[AsEventListener]
final readonly class CsrfGuard
{
    public const TOKEN = 'api';
    public const HEADER = 'X-CSRF-Token';
    /** Nobody is signed in yet at these; a cookie that is only sent from the same site guards them. A machine sends no cookie. */
    private const OPEN = ['openSession', 'openDemoSession', 'createFirstLead', 'reportPrint'];

    public function __construct(private CsrfTokenManagerInterface $tokens)
    {
    }

    public function __invoke(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        if (!str_starts_with($request->getPathInfo(), '/api/') || $request->isMethodSafe()) {
            return;
        }
        if (\in_array($request->attributes->get('_route'), self::OPEN, true)) {
            return;
        }
        if (!$this->tokens->isTokenValid(new CsrfToken(self::TOKEN, (string) $request->headers->get(self::HEADER, '')))) {
            throw new Problem(403, 'Page too old', 'This page was open too long. Load it again; what you typed is kept.');
        }
    }
}
