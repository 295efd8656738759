<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\QuantityKind;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** White glue thinned with water to be brushed on: by mass nothing contracts, so m₁·s₁ = m₂·s₂ is exact. */
final readonly class PvaThinning implements Calculator
{
    public function key(): string
    {
        return 'pva_thinning';
    }

    public function words(): Sentence
    {
        return Sentence::of('calculator.pva.title');
    }

    public function inputs(): array
    {
        return [
            new CalculatorInput('glue', Sentence::of('calculator.pva.glue'), Shown::Mass, 20, 1, 5_000),
            new CalculatorInput('have', Sentence::of('calculator.pva.have'), Shown::Share, 0.45, 0.02, 1),
            new CalculatorInput('want', Sentence::of('calculator.pva.want'), Shown::Share, 0.09, 0.01, 1),
        ];
    }

    public function of(array $values): CalculatorAnswer
    {
        ['glue' => $glue, 'have' => $have, 'want' => $want] = $values;
        if ($have < $want) {
            throw CannotCalculate::weakerThanWanted();
        }
        $water = $glue * ($have / $want - 1);

        return new CalculatorAnswer(
            [
                Sentence::of(
                    'calculator.pva.answer',
                    water: Quantity::make(QuantityKind::Mass, $water, 1.0),
                    glue: Quantity::make(QuantityKind::Mass, $glue, 1.0),
                    makes: Quantity::make(QuantityKind::Mass, $glue + $water, 1.0),
                ),
                Sentence::of('calculator.pva.thin'),
            ],
            [],
            Sentence::of('calculator.pva.source'),
        );
    }
}
