<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** What was looked at, what came of it, what is promised, and whether it was kept; null: it could not be tried here. */
final readonly class Outcome
{
    public function __construct(public string $what, public string $found, public string $promised, public ?bool $kept)
    {
    }

    public static function none(string $what, int|float $count, string $of = ''): self
    {
        return new self($what, $count.$of, 'none', $count < 1);
    }
}
