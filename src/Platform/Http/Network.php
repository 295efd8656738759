<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Component\HttpFoundation\RequestStack;

/** Whether somebody asks at the machine itself, or from the network of the shop; the web server says so, and no client can. */
final readonly class Network
{
    public function __construct(private RequestStack $requests)
    {
    }

    public function isFromOutside(): bool
    {
        return '1' === $this->requests->getMainRequest()?->server->get('SITZPLATZ_FROM_NETWORK');
    }
}
