<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * A change is asked for by a page of this app or by a program, never by the page of somebody else.
 *
 * A browser says where a request comes from (Origin, Sec-Fetch-Site) and no page can keep it from saying so. Programs say
 * neither. It comes before anybody is asked who they are, and beside the token of the session, which is looked at later.
 */
#[AsEventListener(priority: 20)]
final readonly class OriginGuard
{
    private const OWN = ['same-origin', 'none'];
    private const MACHINES = 'reportPrint';

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if ($request->isMethodSafe() || !str_starts_with($request->getPathInfo(), '/api/')) {
            return;
        }
        if (self::MACHINES === $request->attributes->get('_route') && $request->headers->has('Origin')) {
            // A token that a page got hold of is of no use to it.
            throw new Problem(403, 'For machines', 'This address is for machines, which come with a token of their own and from no page.');
        }
        if (!self::ownPage($request)) {
            throw new Problem(403, 'Not from this app', 'This was sent by another page. Open the app itself and do it there.');
        }
    }

    private static function ownPage(Request $request): bool
    {
        $origin = $request->headers->get('Origin');
        if (null !== $origin && $request->getSchemeAndHttpHost() !== strtolower($origin)) {
            return false;
        }

        return \in_array($request->headers->get('Sec-Fetch-Site', 'none'), self::OWN, true);
    }
}
