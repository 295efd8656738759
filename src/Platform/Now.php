<?php

declare(strict_types=1);

namespace App\Platform;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\RequestStack;

/** The time, in the offset of whoever is asking: the browser sends its own with each change. */
final readonly class Now
{
    public const OFFSET_HEADER = 'X-UTC-Offset';

    public function __construct(private ClockInterface $clock, private RequestStack $requests)
    {
    }

    public function time(): \DateTimeImmutable
    {
        $minutes = (int) $this->requests->getCurrentRequest()?->headers->get(self::OFFSET_HEADER, '0');
        $minutes = max(-14 * 60, min(14 * 60, $minutes));
        $zone = \sprintf('%s%02d:%02d', $minutes < 0 ? '-' : '+', intdiv(abs($minutes), 60), abs($minutes) % 60);

        return $this->clock->now()->setTimezone(new \DateTimeZone($zone));
    }
}
