<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Http\Problem;
use App\Shelf\Number;
use App\Shelf\StoredLayers;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\ClosedBox;
use Sitzplatz\Heat\CoolDown;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\HeaterCheck;
use Sitzplatz\Heat\HeaterSize;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\Stack;
use Sitzplatz\Words\Sentence;

/** The sums on heat by themselves, as the API and the command line ask for them. */
final readonly class HeatSums
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param array<string, mixed> $body a request that has passed the contract
     *
     * @return array<string, mixed>
     */
    public function answer(array $body): array
    {
        StoredLayers::check($body['layers'], $this->catalogue, 'layers');
        try {
            return $this->reckon($body);
        } catch (BadHeat $bad) {
            throw Problem::invalid($bad->field, $bad->sentence);
        }
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<string, mixed>
     */
    private function reckon(array $body): array
    {
        $layers = StoredLayers::read($body['layers'], $this->catalogue);
        $roomC = (float) $body['roomC'];
        [$width, $depth] = [(float) $body['widthMm'], (float) $body['depthMm']];
        $stack = new Stack($layers, $width, $depth, 1.0, (float) ($body['displayReadsHighK'] ?? 0));
        $measured = $body['measured'] ?? null;
        if (null !== $measured) {
            try {
                $stack = $stack->calibrated((float) $measured['displayC'], (float) $measured['surfaceC'], (float) $measured['roomC']);
            } catch (BadHeat $bad) {
                throw Problem::invalid('measured.'.$bad->field, $bad->sentence);
            }
        }
        $display = Number::orNull($body['displayC'] ?? null);
        $surface = Number::orNull($body['surfaceC'] ?? null);
        if ((null === $display) === (null === $surface)) {
            throw Problem::invalid('surfaceC', 'Give either the surface temperature that is wanted, or what the display shows.');
        }
        $display ??= $stack->displayFor((float) $surface, $roomC);
        $surface ??= $stack->surfaceAt($display, $roomC);
        $heater = $body['heater'] ?? null;
        $up = null === $heater ? null : HeatUp::of($stack, $display, $roomC, (float) $heater['watts']);
        $minutes = Number::orNull($body['jobMinutes'] ?? null);

        return [
            'displayC' => $display,
            'surfaceC' => $surface,
            'basis' => null === $measured ? 'modelled' : 'measured',
            'resistanceM2KW' => $stack->resistanceM2KW(),
            'resistanceFactor' => $stack->resistanceFactor,
            'displayReadsHighK' => $stack->displayReadsHighK,
            'lossWM2' => $stack->lossWM2($surface, $roomC),
            'layers' => array_map(
                static fn (Layer $l): array => [
                    'of' => $l->of->id,
                    'name' => $l->of->name,
                    'mm' => $l->thicknessMm,
                    'resistanceM2KW' => $l->resistanceM2KW(),
                    'contactM2KW' => $l->contactBelowM2KW,
                ],
                $layers,
            ),
            'heatUp' => null === $up ? null : [
                'displayReadySeconds' => $up->displayReadySeconds,
                'soakSeconds' => $up->soakSeconds,
                'energyWh' => $up->energyWh,
                'holdingW' => $up->holdingW,
                'jobEnergyWh' => null === $minutes ? null : $up->energyWh + $up->holdingW * $minutes / 60,
            ],
            'cooling' => $this->cooling($body, $layers, $stack, $surface, $roomC),
            'heater' => null === $heater ? null : self::heater(HeaterCheck::of(
                (float) $heater['watts'],
                Number::orNull($heater['areaCm2'] ?? null) ?? $width * $depth / 100,
                $display,
                Number::orNull($heater['volts'] ?? null),
                Number::orNull($heater['limitAmps'] ?? null),
            )),
            'size' => null === ($body['size'] ?? null) ? null : self::size(HeaterSize::of(
                $stack,
                $display,
                $roomC,
                (float) $body['size']['minutes'],
                Number::orNull($body['size']['volts'] ?? null),
                Number::orNull($body['size']['limitAmps'] ?? null),
            )),
        ];
    }

    /**
     * @param array<string, mixed> $body
     * @param list<Layer>          $layers
     *
     * @return list<array{way: string, words: Sentence, seconds: float|null}>
     */
    private function cooling(array $body, array $layers, Stack $stack, float $fromC, float $roomC): array
    {
        $to = Number::orNull($body['releaseC'] ?? null);
        if (null === $to) {
            return [];
        }
        $plate = \array_slice($layers, $body['plateFrom'] ?? 0);
        if ([] === $plate) {
            throw Problem::invalid('plateFrom', 'The plate begins above the last layer: give the number of its lowest layer, counted from 0.');
        }
        $alone = new Stack($plate, $stack->widthMm, $stack->depthMm, $stack->resistanceFactor);
        $ways = [];
        $closed = $body['closed'] ?? false;
        foreach (Cooling::cases() as $way) {
            if (match ($way) {
                Cooling::Freezer => $body['freezer'] ?? false,
                Cooling::OpenDoor => $closed,
                default => true,
            }) {
                $ways[] = [
                    'way' => $way->value,
                    'words' => $way->words(),
                    'seconds' => $way->plateAlone()
                        ? CoolDown::underPart($alone, $way, $fromC, $to, $roomC, Number::orNull($body['partMm'] ?? null))
                        : CoolDown::seconds($stack, $way, $fromC, $to, $roomC, $closed ? ClosedBox::over($fromC, $roomC) : null),
                ];
            }
        }

        return $ways;
    }

    /** @return array<string, mixed> */
    private static function size(HeaterSize $size): array
    {
        return [
            'watts' => $size->watts,
            'practiceW' => $size->practiceW,
            'inTimeW' => $size->inTimeW,
            'currentA' => $size->check->currentA,
            'currentAllowed' => $size->check->currentAllowed,
            'mains' => $size->check->mains,
            'cautions' => $size->check->cautions(),
            'words' => $size->words(),
        ];
    }

    /** @return array<string, mixed> */
    private static function heater(HeaterCheck $check): array
    {
        return [
            'wattsPerCm2' => $check->wattsPerCm2,
            'neededWattsPerCm2' => $check->neededWattsPerCm2,
            'enough' => $check->enough,
            'currentA' => $check->currentA,
            'currentAllowed' => $check->currentAllowed,
            'mains' => $check->mains,
            'cautions' => $check->cautions(),
        ];
    }
}
