<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\QuantityKind;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** How much ABS goes into acetone: thin as water to coat a plate, as glue, or as a slurry that fills gaps (common practice; grams from memory). */
final readonly class AbsSolution implements Calculator
{
    /** g of ABS in 100 mL of acetone. */
    private const GRAMS = [2.0, 10.0, 30.0];

    public function key(): string
    {
        return 'abs_solution';
    }

    public function words(): Sentence
    {
        return Sentence::of('calculator.abs.title');
    }

    public function inputs(): array
    {
        return [
            CalculatorInput::choice('strength', Sentence::of('calculator.abs.strength'), [
                Sentence::of('calculator.abs.thin'),
                Sentence::of('calculator.abs.glue'),
                Sentence::of('calculator.abs.slurry'),
            ]),
            new CalculatorInput('acetone', Sentence::of('calculator.abs.acetone'), Shown::Volume, 100_000, 5_000, 2_000_000),
        ];
    }

    public function of(array $values): CalculatorAnswer
    {
        $grams = self::GRAMS[(int) round($values['strength'])] * $values['acetone'] / 100_000;

        return new CalculatorAnswer(
            [
                Sentence::of(
                    'calculator.abs.answer',
                    abs: Quantity::make(QuantityKind::Mass, $grams, 0.1),
                    acetone: Quantity::cubicMillimetres($values['acetone'], 1_000),
                    weighs: Quantity::make(QuantityKind::Mass, $values['acetone'] / 1_000 * Solvent::Acetone->density(), 1.0),
                ),
                Sentence::of('calculator.abs.pure'),
                Sentence::of('calculator.abs.overnight'),
            ],
            [Sentence::of('caution.solvent'), Sentence::of('calculator.abs.jar')],
            Sentence::of('calculator.abs.source'),
        );
    }
}
