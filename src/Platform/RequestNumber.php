<?php

declare(strict_types=1);

namespace App\Platform;

use Monolog\LogRecord;
use Monolog\Processor\ProcessorInterface;
use Symfony\Component\HttpFoundation\RequestStack;

/** Each line of the log carries the number of the request, the one that the answer carries as X-Request-Id. */
final readonly class RequestNumber implements ProcessorInterface
{
    private const HEADER = 'X-Request-Id';

    public function __construct(private RequestStack $requests)
    {
    }

    public function __invoke(LogRecord $record): LogRecord
    {
        // The web server makes it; what a client sends under this name does not get here.
        $record->extra['request'] = $this->requests->getMainRequest()?->headers->get(self::HEADER);

        return $record;
    }
}
