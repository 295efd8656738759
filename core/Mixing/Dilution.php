<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** How much water makes a weaker cleaner of a stronger one: c₁·V₁ = c₂·V₂ (common practice; shares of volume, contraction left out). */
final readonly class Dilution implements Calculator
{
    public function key(): string
    {
        return 'dilution';
    }

    public function words(): Sentence
    {
        return Sentence::of('calculator.dilution.title');
    }

    public function inputs(): array
    {
        return [
            new CalculatorInput('have', Sentence::of('calculator.dilution.have'), Shown::Share, 0.99, 0.01, 1),
            new CalculatorInput('want', Sentence::of('calculator.dilution.want'), Shown::Share, 0.7, 0.01, 1),
            new CalculatorInput('made', Sentence::of('calculator.dilution.made'), Shown::Volume, 500_000, 1_000, 1e8),
        ];
    }

    public function of(array $values): CalculatorAnswer
    {
        ['have' => $have, 'want' => $want, 'made' => $madeMm3] = $values;
        if ($have < $want) {
            throw CannotCalculate::weakerThanWanted();
        }
        $strongMm3 = $madeMm3 * $want / $have;

        return new CalculatorAnswer(
            [
                Sentence::of(
                    'calculator.dilution.answer',
                    strong: Quantity::cubicMillimetres($strongMm3, 1_000),
                    water: Quantity::cubicMillimetres($madeMm3 - $strongMm3, 1_000),
                    have: Quantity::share($have),
                    want: Quantity::share($want),
                ),
                Sentence::of('calculator.dilution.contraction'),
            ],
            [Sentence::of('caution.solvent')],
            Sentence::of('calculator.dilution.source'),
        );
    }
}
