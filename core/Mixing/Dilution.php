<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\QuantityKind;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/**
 * How much water makes a weaker cleaner of a stronger one. Alcohol and water contract, so it is reckoned by mass, with
 * densities; c₁·V₁ = c₂·V₂ alone would have it too strong. Of another cleaner nobody knows, and that sum stands.
 */
final readonly class Dilution implements Calculator
{
    private const OTHER = 2;

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
            CalculatorInput::choice('of', Sentence::of('calculator.dilution.of'), [
                Sentence::of('solvent.propanol'),
                Sentence::of('solvent.ethanol'),
                Sentence::of('calculator.dilution.other'),
            ]),
            new CalculatorInput('have', Sentence::of('calculator.dilution.have'), Shown::Share, 0.99, 0.01, 1),
            new CalculatorInput('want', Sentence::of('calculator.dilution.want'), Shown::Share, 0.7, 0.01, 1),
            new CalculatorInput('made', Sentence::of('calculator.dilution.made'), Shown::Volume, 500_000, 1_000, 1e8),
        ];
    }

    public function of(array $values): CalculatorAnswer
    {
        ['of' => $of, 'have' => $have, 'want' => $want, 'made' => $madeMm3] = $values;
        if ($have < $want) {
            throw CannotCalculate::weakerThanWanted();
        }
        $strongMm3 = $madeMm3 * $want / $have;
        $apartMm3 = $madeMm3 - $strongMm3;
        $waterMm3 = $apartMm3;
        if (self::OTHER !== (int) round($of)) {
            $mixed = static fn (float $share): AlcoholWater => Solvent::Ethanol->value === (int) round($of) + 1
                ? AlcoholWater::ethanol($share) : AlcoholWater::propanol($share);
            // What the whole weighs less what the strong one weighs is water.
            $waterMm3 = max(0.0, $madeMm3 * $mixed($want)->density - $strongMm3 * $mixed($have)->density) / AlcoholWater::WATER;
        }

        return new CalculatorAnswer(
            [
                Sentence::of(
                    'calculator.dilution.answer',
                    strong: Quantity::cubicMillimetres($strongMm3, 1_000),
                    water: Quantity::cubicMillimetres($waterMm3, 1_000),
                    have: Quantity::share($have),
                    want: Quantity::share($want),
                    made: Quantity::cubicMillimetres($madeMm3, 1_000),
                ),
                self::OTHER === (int) round($of) ? Sentence::of('calculator.dilution.contraction') : Sentence::of(
                    'calculator.dilution.weigh',
                    water: Quantity::make(QuantityKind::Mass, $waterMm3 * AlcoholWater::WATER / 1_000, 1.0),
                    apart: Quantity::cubicMillimetres($apartMm3, 1_000),
                ),
            ],
            [Sentence::of('caution.solvent')],
            Sentence::of(self::OTHER === (int) round($of) ? 'calculator.dilution.source' : 'calculator.dilution.source_mass'),
        );
    }
}
