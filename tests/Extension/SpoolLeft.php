<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Mixing\Calculator;
use Sitzplatz\Mixing\CalculatorAnswer;
use Sitzplatz\Mixing\CalculatorInput;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Shown;

/** A calculator that somebody adds. */
final readonly class SpoolLeft implements Calculator
{
    public function key(): string
    {
        return 'spool_left';
    }

    public function words(): OwnText
    {
        return new OwnText('What is left on a spool');
    }

    public function inputs(): array
    {
        return [
            new CalculatorInput('gross', new OwnText('On the scale'), Shown::Mass, 700, 0, 20_000),
            new CalculatorInput('empty', new OwnText('The empty spool'), Shown::Mass, 200, 0, 2_000),
        ];
    }

    public function of(array $values): CalculatorAnswer
    {
        return new CalculatorAnswer([new OwnText((string) Quantity::count((int) ($values['gross'] - $values['empty']))->value)], [], new OwnText('One less the other.'));
    }
}
