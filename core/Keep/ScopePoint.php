<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Sentence;

/** One point of a scope held against a job; null: the job does not say. */
final readonly class ScopePoint
{
    public function __construct(public string $point, public ?bool $inScope, public Sentence $sentence)
    {
    }
}
