<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Shown;

/** What a calculator wants to know, in the unit that its kind is held in. */
final readonly class CalculatorInput
{
    public function __construct(public string $key, public Phrase $words, public Shown $shown, public float $usual, public float $least, public float $most)
    {
    }
}
