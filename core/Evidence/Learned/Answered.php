<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** How one came out. */
final readonly class Answered
{
    public function __construct(public Situation $situation, public bool $well)
    {
    }
}
