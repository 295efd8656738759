<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** One sample of a gauge. */
final readonly class PullSample
{
    public function __construct(public int $milliseconds, public float $forceN)
    {
    }
}
