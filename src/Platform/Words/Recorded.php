<?php

declare(strict_types=1);

namespace App\Platform\Words;

/** Data of a record, whose phrases stand in it as keys, quantities and English text. */
final readonly class Recorded
{
    /** @param mixed $data a phrase, a list of them, or what is none */
    public function __construct(public mixed $data)
    {
    }
}
