<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/** Headers that keep the browser from doing what this app never asks for. */
#[AsEventListener]
final readonly class SecurityHeaders
{
    public const NONCE = '_csp_nonce';

    public function __invoke(ResponseEvent $event): void
    {
        $headers = $event->getResponse()->headers;
        $nonce = $event->getRequest()->attributes->getString(self::NONCE);
        $own = '' === $nonce ? "'self'" : "'self' 'nonce-{$nonce}'";
        $headers->set('Content-Security-Policy', implode('; ', [
            "default-src 'none'",
            "script-src {$own}",
            "style-src {$own}",
            "img-src 'self' data:",
            "font-src 'self'",
            "connect-src 'self'",
            "manifest-src 'self'",
            "worker-src 'self'",
            "form-action 'self'",
            "base-uri 'none'",
            "frame-ancestors 'none'",
        ]));
        $headers->set('X-Content-Type-Options', 'nosniff');
        $headers->set('Referrer-Policy', 'same-origin');
        $headers->set('Cross-Origin-Opener-Policy', 'same-origin');
        $headers->set('Cross-Origin-Resource-Policy', 'same-origin');
        $headers->set('Permissions-Policy', 'camera=(), microphone=(), geolocation=()');
        if (str_starts_with($event->getRequest()->getPathInfo(), '/api/')) {
            $headers->set('Cache-Control', 'no-store');
        }
    }
}
