<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Words\Sentence;

/** By how much what is known speaks for a cause: more or less than one. */
final readonly class Hint
{
    /** @param Sentence|null $why null: it goes without saying */
    public function __construct(public float $factor, public ?Sentence $why)
    {
    }

    public static function ruledOut(): self
    {
        return new self(0.0, null);
    }
}
