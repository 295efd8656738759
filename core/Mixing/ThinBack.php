<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\QuantityKind;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** Acetone leaves through any lid: a jar is thinned back by the weight that it has lost (common practice). */
final readonly class ThinBack implements Calculator
{
    public function key(): string
    {
        return 'thin_back';
    }

    public function words(): Sentence
    {
        return Sentence::of('calculator.thin_back.title');
    }

    public function inputs(): array
    {
        return [
            new CalculatorInput('then', Sentence::of('calculator.thin_back.then'), Shown::Mass, 250, 1, 10_000),
            new CalculatorInput('now', Sentence::of('calculator.thin_back.now'), Shown::Mass, 230, 1, 10_000),
        ];
    }

    public function of(array $values): CalculatorAnswer
    {
        $lost = $values['then'] - $values['now'];
        if ($lost < 0) {
            throw CannotCalculate::heavierThanBefore();
        }

        return new CalculatorAnswer(
            [
                Sentence::of(
                    'calculator.thin_back.answer',
                    grams: Quantity::make(QuantityKind::Mass, $lost, 1.0),
                    volume: Quantity::cubicMillimetres($lost / Solvent::Acetone->density() * 1_000, 1_000),
                ),
                Sentence::of('calculator.thin_back.same_jar'),
            ],
            [Sentence::of('caution.solvent')],
            Sentence::of('calculator.thin_back.source'),
        );
    }
}
