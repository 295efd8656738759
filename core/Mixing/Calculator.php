<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Phrase;

/** A sum of the bench by itself: one class, registered, and nothing else. */
interface Calculator
{
    /** Lower case letters and _. */
    public function key(): string;

    public function words(): Phrase;

    /** @return list<CalculatorInput> */
    public function inputs(): array;

    /**
     * @param array<string, float> $values of every input, within its range
     *
     * @throws CannotCalculate if they do not go together
     */
    public function of(array $values): CalculatorAnswer;
}
