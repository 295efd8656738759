<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Shown;

/** What a calculator wants to know, in the unit that its kind is held in; or which of some things. */
final readonly class CalculatorInput
{
    /** @param list<Phrase> $options by their number from 0; none: it is a figure */
    public function __construct(
        public string $key,
        public Phrase $words,
        public Shown $shown,
        public float $usual,
        public float $least,
        public float $most,
        public array $options = [],
    ) {
    }

    /** @param non-empty-list<Phrase> $options */
    public static function choice(string $key, Phrase $words, array $options): self
    {
        return new self($key, $words, Shown::Count, 0.0, 0.0, \count($options) - 1.0, $options);
    }
}
