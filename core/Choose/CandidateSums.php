<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Heat\HeaterCheck;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Units\Figure;

/** What is reckoned for a candidate that is looked at: heat, warp, release and cost, each with how it came about. */
final readonly class CandidateSums
{
    private function __construct(
        private Candidate $candidate,
        public ?HeatPlan $heat,
        public ?WarpSum $warp,
        public ?HeaterCheck $heater,
        public ReleasePlan $release,
    ) {
    }

    public static function of(Candidate $candidate, HeatPlans $plans, ?OwnStrength $own): self
    {
        $heat = $plans->of($candidate->proposal);
        $printer = $candidate->proposal->job->printer;
        $display = $candidate->target->displayC;

        return new self(
            $candidate,
            $heat,
            WarpSum::of($candidate, $own),
            null === $printer->heaterW || null === $display ? null : HeaterCheck::of($printer->heaterW, $printer->bedWidthMm, $printer->bedDepthMm, $display, $printer->heaterV, $printer->limitA),
            ReleasePlan::for($candidate, $plans->cooling($candidate->proposal)),
        );
    }

    /** @return list<Reckoning> */
    public function reckonings(): array
    {
        return array_values(array_filter([
            $this->chance(),
            $this->expectation('hold', 'Hold', $this->candidate->hold),
            $this->expectation('release', 'Release', $this->candidate->release),
            $this->setPoint(),
            $this->times(),
            $this->heater(),
            $this->warp?->reckoning(),
            $this->cost(),
        ]));
    }

    private function chance(): Reckoning
    {
        $n = $this->candidate->proposal->job->partCount;
        $one = static fn (Expectation $e, string $name): Input => new Input(
            \sprintf('%s of all %d', $name, $n),
            Expectation::percent($e->belief->allOf($n)),
            \sprintf('Beta(%s, %s)', Figure::short($e->belief->a, 2), Figure::short($e->belief->b, 2)),
        );

        return new Reckoning(
            'chance',
            1 === $n ? 'Holds and lets go' : \sprintf('All %d hold and let go', $n),
            Expectation::percent($this->candidate->chance),
            'P(all N) = Π (a + i) ÷ (a + b + i), i = 0 … N − 1, for hold and for release, multiplied',
            [$one($this->candidate->hold, 'Hold'), $one($this->candidate->release, 'Release')],
            'Beta–binomial; parts of a plate share its unknown rate, so this is more than rateᴺ and less than the rate of one.',
        );
    }

    private function expectation(string $id, string $title, Expectation $expectation): Reckoning
    {
        $treatment = $this->candidate->treatment;
        $prior = $expectation->grade->prior();
        $inputs = [new Input(\sprintf('Practice: %s', $expectation->grade->value), \sprintf('Beta(%s, %s)', Figure::short($prior->a, 2), Figure::short($prior->b, 2)), null === $treatment->shop ? $treatment->basis->words() : 'the word of this shop')];
        foreach ($expectation->evidence as $each) {
            $inputs[] = new Input(ucfirst($each->likeness->words()), \sprintf('%d of %d', $each->successes, $each->runs), \sprintf('own runs, counted at %s', Figure::short($each->likeness->weight(), 2)));
        }
        $interval = $expectation->interval();

        return new Reckoning(
            $id,
            $title,
            \sprintf('%s; 90 %% of the belief between %s and %s', Expectation::percent($expectation->belief->mean()), Expectation::percent($interval->low), Expectation::percent($interval->high)),
            'Beta(a + Σ w·successes, b + Σ w·failures); mean = a ÷ (a + b)',
            $inputs,
            'Conjugate Beta–binomial; discounted runs by a power prior (Ibrahim & Chen 2000, from memory). The weight of ten runs for a grade is ours.',
        );
    }

    private function setPoint(): ?Reckoning
    {
        $stack = $this->candidate->proposal->stack;
        $target = $this->candidate->target;
        if (null === $target->displayC || null === $target->at) {
            return null;
        }
        $roomC = $this->candidate->proposal->job->roomC;
        if (null === $stack) {
            return new Reckoning('set_point', 'Set-point', Figure::short($target->displayC, 2).' °C', 'display = target', [], 'The layers of the printer\'s bed or of the plate are not on the shelf: nothing is added for what lies between sensor and surface. Measure the surface, or enter the layers.');
        }
        $inputs = array_map(static fn (Layer $layer): Input => new Input(
            ucfirst($layer->of->name).\sprintf(', %s mm', Figure::short($layer->thicknessMm, 2)),
            \sprintf('%.2e m²K/W%s', $layer->resistanceM2KW(), $layer->contactBelowM2KW > 0 ? \sprintf(' and %.0e for the contact below', $layer->contactBelowM2KW) : ''),
            $layer->of->basis->words(),
        ), $stack->layers);
        $measured = $this->candidate->proposal->side->measured;
        $inputs[] = new Input('Heat given off at the top', \sprintf('%.0f W/m²', $stack->lossWM2($target->at, $roomC)), 'natural convection and radiation, Incropera & DeWitt ch. 9 (memory)');
        if (null !== $measured) {
            $inputs[] = new Input('Measured', \sprintf('%s °C at the surface with %s °C on the display, %s', Figure::short($measured->surfaceC, 2), Figure::short($measured->displayC, 2), $measured->on), 'measured here; it beats the sum');
        }
        if (abs($stack->displayReadsHighK) > 0.05) {
            $inputs[] = new Input('The display reads too high by', \sprintf('%.1f °C', $stack->displayReadsHighK), null === $measured ? 'noted for the printer' : 'by the measurement');
        }

        return new Reckoning(
            'set_point',
            'Set-point',
            \sprintf('%s °C on the display for %s °C at the surface (%s)', Figure::short($target->displayC, 2), Figure::short(round($target->at, 1), 2), null === $measured ? 'modelled' : 'measured'),
            'display = surface + q·Σ(t ÷ k + contact)'.(null === $measured ? '' : \sprintf(', the sum × %.2f to fit the measurement', $stack->resistanceFactor)),
            $inputs,
            'Series stack in the steady state, middle of the plate; edges are cooler.',
        );
    }

    private function times(): ?Reckoning
    {
        $heat = $this->heat;
        if (null === $heat) {
            return null;
        }
        $minutes = static fn (?float $seconds): string => null === $seconds ? 'never' : \sprintf('%.1f min', $seconds / 60);
        $inputs = [
            new Input('Heater', \sprintf('%.0f W', $heat->heaterW), $heat->heaterAssumed ? 'not on the shelf: 0.4 W/cm² assumed' : 'the printer'),
            new Input('Until the display is ready', $minutes($heat->heatUp->displayReadySeconds), 'the sum'),
            new Input('Soak, until the surface is within 2 °C', $minutes($heat->heatUp->soakSeconds), 'the sum'),
            new Input('Power while printing', \sprintf('%.0f W', $heat->heatUp->holdingW), 'the sum'),
        ];
        foreach ($this->release->waits as $wait) {
            $inputs[] = new Input('Cool-down '.$wait['words'], null === $wait['minutes'] ? 'never gets there' : \sprintf('%.1f min', $wait['minutes']), 'the sum');
        }
        $turnaround = $heat->turnaroundMinutes();

        return new Reckoning(
            'times',
            'Warm-up, soak and cool-down',
            null === $turnaround ? 'cannot be had' : \sprintf('%.0f min besides the print', $turnaround),
            'one-dimensional transient conduction, backward Euler, heater limited in power',
            $inputs,
            'The part on the plate and the edges are left out of the sum.',
        );
    }

    private function heater(): ?Reckoning
    {
        $check = $this->heater;
        $printer = $this->candidate->proposal->job->printer;
        if (null === $check) {
            return null;
        }
        $inputs = [
            new Input('Heater', \sprintf('%.0f W over %.0f × %.0f mm', $printer->heaterW, $printer->bedWidthMm, $printer->bedDepthMm), 'the printer'),
            new Input('Set-point', Figure::short($this->candidate->target->displayC ?? 0.0).' °C', 'the sum above'),
        ];
        if (null !== $check->currentA) {
            $inputs[] = new Input('Current', \sprintf('%.1f A at %s V%s', $check->currentA, Figure::short($printer->heaterV ?? 0.0), null === $printer->limitA ? '' : \sprintf('; the output carries %s A', Figure::short($printer->limitA))), 'the printer');
        }

        return new Reckoning(
            'heater',
            'Heater',
            \sprintf('%.2f W/cm²; practice asks for %.2f: %s', $check->wattsPerCm2, $check->neededWattsPerCm2, $check->enough ? 'enough' : 'slow, or too weak'),
            'power ÷ area, against 0.2 W/cm² at 60 °C and 0.6 W/cm² at 120 °C in a straight line; current = power ÷ voltage',
            $inputs,
            rtrim('Common practice. '.$check->mainsCaution()),
        );
    }

    private function cost(): ?Reckoning
    {
        $side = $this->candidate->proposal->side;
        if (null === $this->candidate->costPerPrint) {
            return null;
        }
        $agent = $this->candidate->costPerPrint - ($side->costPerPrint ?? 0.0);

        return new Reckoning(
            'cost',
            'Plate and agent per print',
            \sprintf('%.2f', $this->candidate->costPerPrint),
            'price of the plate ÷ prints that its kind lasts + price of the agent ÷ coats ÷ prints a coat lasts',
            [
                new Input('Plate', \sprintf('%.3f', $side->costPerPrint ?? 0.0), \sprintf('price on the shelf, %d prints (%s)', $this->candidate->proposal->surface->lifePrints, $this->candidate->proposal->surface->basis->words())),
                new Input('Agent', \sprintf('%.3f', $agent), null === $this->candidate->proposal->agent ? 'bare' : \sprintf('price on the shelf, a coat lasts %d prints', $this->candidate->proposal->agent->coatPrints)),
            ],
            'In the money of the price labels; energy stands apart.',
        );
    }
}
