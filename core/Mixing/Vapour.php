<?php

declare(strict_types=1);

namespace Sitzplatz\Mixing;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** How much vapour is in the air against the limits of a workplace, and how near it is to what can be lit; a caution, never a clearance. */
final readonly class Vapour implements Calculator
{
    /** From here on nobody stays: a tenth of what can be lit is where alarms stand (common practice). */
    private const ALARM = 0.1;

    public function key(): string
    {
        return 'vapour';
    }

    public function words(): Sentence
    {
        return Sentence::of('calculator.vapour.title');
    }

    public function inputs(): array
    {
        return [
            CalculatorInput::choice(
                'of',
                Sentence::of('calculator.vapour.of'),
                array_map(static fn (Solvent $solvent): Sentence => $solvent->words(), Solvent::cases()),
            ),
            new CalculatorInput('volume', Sentence::of('calculator.vapour.volume'), Shown::Volume, 10_000, 100, 5_000_000),
            new CalculatorInput('room', Sentence::of('calculator.vapour.room'), Shown::Number, 30, 2, 10_000),
            new CalculatorInput('minutes', Sentence::of('calculator.vapour.minutes'), Shown::Number, 10, 0.5, 480),
            new CalculatorInput('changes', Sentence::of('calculator.vapour.changes'), Shown::Number, 1, 0, 60),
            new CalculatorInput('near', Sentence::of('calculator.vapour.near'), Shown::Number, 5, 0.5, 100),
        ];
    }

    public function of(array $values): CalculatorAnswer
    {
        $solvent = Solvent::from((int) round($values['of']));
        $air = new VapourInRoom($solvent, $values['volume'] / 1_000, $values['room'], $values['minutes'], $values['changes'], $values['near']);
        $limits = $solvent->limitsPpm();
        $ppm = static fn (float $value): Quantity => Quantity::number($value, $value < 10 ? 0.1 : 1);
        $flammable = $air->flammableShare();

        return new CalculatorAnswer(
            [
                Sentence::of(
                    $air->shortTimePpm() > $limits->shortTime ? 'calculator.vapour.short_above' : 'calculator.vapour.short_below',
                    short: $ppm($air->shortTimePpm()),
                    limit: $ppm($limits->shortTime),
                ),
                Sentence::of(
                    'calculator.vapour.shift',
                    near: $ppm($air->nearShiftPpm()),
                    room: $ppm($air->shiftPpm()),
                    european: $ppm($limits->european),
                    recommended: $ppm($limits->recommended),
                    allowed: $ppm($limits->allowed),
                ),
                Sentence::of('calculator.vapour.peak', room: $ppm($air->peakPpm()), near: $ppm($air->nearPeakPpm()), worst: $ppm($air->worstPpm())),
                Sentence::of(
                    $flammable >= self::ALARM ? 'calculator.vapour.flammable' : 'calculator.vapour.not_flammable',
                    share: Quantity::share($flammable, 0.001),
                ),
            ],
            [Sentence::of('caution.solvent'), Sentence::of('calculator.vapour.no_clearance')],
            Sentence::of('calculator.vapour.source'),
        );
    }
}
