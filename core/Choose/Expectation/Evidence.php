<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Evidence\Likeness;

/** So many own runs of one likeness, and how many of them succeeded. */
final readonly class Evidence
{
    public function __construct(public Likeness $likeness, public int $successes, public int $runs)
    {
    }
}
