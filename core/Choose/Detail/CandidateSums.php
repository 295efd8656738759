<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\OwnStrength;
use Sitzplatz\Choose\Expectation\WarpSum;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Window\HeatPlan;
use Sitzplatz\Choose\Window\HeatPlans;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\HeaterCheck;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Warp\BadWarp;
use Sitzplatz\Words\Day;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What is reckoned for a candidate that is looked at: heat, warp, release and cost, each with how it came about. */
final readonly class CandidateSums
{
    private function __construct(
        private Candidate $candidate,
        public ?HeatPlan $heat,
        public ?WarpSum $warp,
        public ?HeaterCheck $heater,
        public ReleasePlan $release,
        public Why $whyHold,
        public Why $whyRelease,
    ) {
    }

    /**
     * @throws BadWarp if a figure cannot be
     * @throws BadHeat if a figure cannot be
     */
    public static function of(Candidate $candidate, HeatPlans $plans, ?OwnStrength $own): self
    {
        $heat = $plans->of($candidate->proposal);
        $printer = $candidate->proposal->job->printer;
        $display = $candidate->target->displayC;

        return new self(
            $candidate,
            $heat,
            WarpSum::of($candidate, $own),
            null === $printer->heaterW || null === $display ? null : HeaterCheck::of(
                $printer->heaterW,
                $printer->heatedCm2(),
                $display,
                $printer->heaterV,
                $printer->limitA,
            ),
            ReleasePlan::for($candidate, $plans->cooling($candidate->proposal)),
            ...Why::of($candidate),
        );
    }

    /** @return list<Reckoning> */
    public function reckonings(): array
    {
        return array_values(array_filter([
            $this->chance(),
            $this->expectation('hold', $this->whyHold),
            $this->expectation('release', $this->whyRelease),
            $this->setPoint(),
            $this->times(),
            $this->heater(),
            $this->warp?->reckoning(),
            $this->cost(),
        ]));
    }

    private function chance(): Reckoning
    {
        $n = Quantity::count($this->candidate->proposal->job->partCount);
        $one = static fn (Expectation $e, string $question): Input => new Input(
            Sentence::of("sum.chance.$question", n: $n),
            Quantity::share($e->chance),
            self::range($e->interval()),
        );

        return new Reckoning(
            'chance',
            Sentence::of('sum.chance.title', n: $n),
            Sentence::of('sum.figure', figure: Quantity::share($this->candidate->chance)),
            Sentence::of('sum.chance.formula'),
            [$one($this->candidate->hold, 'hold'), $one($this->candidate->release, 'release')],
            Sentence::of('sum.chance.source'),
        );
    }

    /** @param string $id hold or release */
    private function expectation(string $id, Why $why): Reckoning
    {
        $steps = static fn (float $logOdds): Sentence => Sentence::of('sum.expect.log_odds', steps: Quantity::number($logOdds, 0.01));

        return new Reckoning(
            $id,
            Sentence::of('sum.expect.'.$id),
            Sentence::of(
                'sum.expect.result',
                mean: Quantity::share($why->chance),
                low: Quantity::share($why->interval->low),
                high: Quantity::share($why->interval->high),
            ),
            Sentence::of('sum.expect.formula'),
            array_map(static fn (WhyBar $bar): Input => new Input(
                $bar->name,
                $steps($bar->logOdds),
                null === $bar->prints
                    ? $bar->basis
                    : Sentence::of('sum.expect.of', well: Quantity::count($bar->well ?? 0), prints: Quantity::count($bar->prints)),
            ), $why->bars),
            Sentence::of('sum.expect.source'),
        );
    }

    private static function range(Interval $interval): Sentence
    {
        return Sentence::of('facet.range', low: Quantity::share($interval->low), high: Quantity::share($interval->high));
    }

    private function setPoint(): ?Reckoning
    {
        $stack = $this->candidate->proposal->stack;
        $target = $this->candidate->target;
        if (null === $target->displayC || null === $target->at) {
            return null;
        }
        $roomC = $this->candidate->proposal->job->airC();
        $title = Sentence::of('sum.set_point.title');
        if (null === $stack) {
            return new Reckoning(
                'set_point',
                $title,
                Sentence::of('sum.figure', figure: Quantity::celsius($target->displayC)),
                Sentence::of('sum.set_point.formula_unknown'),
                [],
                Sentence::of('sum.set_point.source_unknown'),
            );
        }
        $inputs = array_map(static fn (Layer $layer): Input => new Input(
            Sentence::of('sum.set_point.layer', layer: $layer->of->name, thickness: Quantity::millimetres($layer->thicknessMm)),
            $layer->contactBelowM2KW > 0
                ? Sentence::of(
                    'sum.set_point.with_contact',
                    layer: Quantity::thermalResistance($layer->resistanceM2KW()),
                    contact: Quantity::thermalResistance($layer->contactBelowM2KW),
                )
                : Quantity::thermalResistance($layer->resistanceM2KW()),
            $layer->of->basis->words(),
        ), $stack->layers);
        $measured = $this->candidate->proposal->side->measured;
        $inputs[] = new Input(
            Sentence::of('sum.set_point.loss'),
            Quantity::wattsPerSquareMetre($stack->lossWM2($target->at, $roomC)),
            Sentence::of('sum.set_point.loss_basis'),
        );
        if (null !== $measured) {
            $inputs[] = new Input(
                Sentence::of('sum.set_point.measured'),
                Sentence::of(
                    'sum.set_point.measured_at',
                    surface: Quantity::celsius($measured->surfaceC),
                    display: Quantity::celsius($measured->displayC),
                    day: new Day($measured->on),
                ),
                Sentence::of('sum.set_point.measured_basis'),
            );
        }
        if (abs($stack->displayReadsHighK) > 0.05) {
            $inputs[] = new Input(
                Sentence::of('sum.set_point.reads_high'),
                Quantity::kelvin($stack->displayReadsHighK),
                Sentence::of(null === $measured ? 'sum.set_point.noted' : 'sum.set_point.by_measurement'),
            );
        }

        return new Reckoning(
            'set_point',
            $title,
            Sentence::of(
                null === $measured ? 'sum.set_point.modelled' : 'sum.set_point.as_measured',
                display: Quantity::celsius($target->displayC),
                surface: Quantity::celsius($target->at),
            ),
            null === $measured ? Sentence::of('sum.set_point.formula') : Sentence::of(
                'sum.set_point.formula_fitted',
                factor: Quantity::number($stack->resistanceFactor),
            ),
            $inputs,
            Sentence::of('sum.set_point.source'),
        );
    }

    private function times(): ?Reckoning
    {
        $heat = $this->heat;
        if (null === $heat) {
            return null;
        }
        $time = static fn (?float $seconds): Phrase => null === $seconds ? Sentence::of('sum.times.never') : Quantity::seconds($seconds);
        $sum = Sentence::of('sum.basis.sum');
        $inputs = [
            new Input(Sentence::of('sum.times.heater'), Quantity::watts($heat->heaterW), $heat->heaterAssumed
                ? Sentence::of('sum.times.heater_assumed', density: Quantity::wattsPerSquareCentimetre(HeatUp::USUAL_W_CM2))
                : Sentence::of('sum.basis.printer')),
            new Input(Sentence::of('sum.times.ready'), $time($heat->heatUp->displayReadySeconds), $sum),
            new Input(Sentence::of('sum.times.soak', near: Quantity::kelvin(HeatUp::NEAR_K)), $time($heat->heatUp->soakSeconds), $sum),
            new Input(Sentence::of('sum.times.holding'), Quantity::watts($heat->heatUp->holdingW), $sum),
        ];
        $job = $this->candidate->proposal->job;
        if ($job->partsJK() > 0) {
            $inputs[] = new Input(
                Sentence::of('sum.times.parts'),
                Sentence::of('sum.times.parts_heat', heat: Quantity::number($job->partsJK(), 1)),
                Sentence::of('sum.times.parts_basis'),
            );
        }
        if (null !== $job->printer->chamberC) {
            $minutes = $job->printer->chamberMinutes;
            $inputs[] = new Input(
                Sentence::of('sum.times.chamber', chamber: Quantity::celsius($job->printer->chamberC)),
                null === $minutes ? Sentence::of('sum.times.not_timed') : Quantity::minutes($minutes),
                Sentence::of(null === $minutes ? 'sum.times.time_it' : 'sum.basis.printer'),
            );
            if (null !== $job->printer->chamberW) {
                $inputs[] = new Input(
                    Sentence::of('sum.times.chamber_heater'),
                    Quantity::watts($job->printer->chamberW),
                    Sentence::of('sum.times.chamber_full'),
                );
            }
        }
        foreach ($this->release->waits as $wait) {
            $inputs[] = new Input(
                Sentence::of('sum.times.cool_down', way: $wait['words']),
                $time(null === $wait['minutes'] ? null : 60 * $wait['minutes']),
                $sum,
            );
        }
        $turnaround = $heat->turnaroundMinutes();

        return new Reckoning(
            'times',
            Sentence::of('sum.times.title'),
            null === $turnaround ? Sentence::of('sum.times.cannot') : Sentence::of('sum.times.result', time: Quantity::minutes($turnaround)),
            Sentence::of('sum.times.formula'),
            $inputs,
            Sentence::of('sum.times.source'),
        );
    }

    private function heater(): ?Reckoning
    {
        $check = $this->heater;
        $printer = $this->candidate->proposal->job->printer;
        if (null === $check || null === $printer->heaterW) {
            return null;
        }
        $ofPrinter = Sentence::of('sum.basis.printer');
        $inputs = [
            new Input(
                Sentence::of('sum.times.heater'),
                Sentence::of(
                    'sum.heater.over',
                    power: Quantity::watts($printer->heaterW),
                    area: Quantity::squareMillimetres(100 * $printer->heatedCm2(), 100),
                ),
                $ofPrinter,
            ),
            new Input(Sentence::of('sum.set_point.title'), Quantity::celsius($this->candidate->target->displayC ?? 0.0), Sentence::of('sum.heater.above')),
        ];
        if (null !== $check->currentA && null !== $printer->heaterV) {
            $current = ['current' => Quantity::amperes($check->currentA), 'voltage' => Quantity::volts($printer->heaterV)];
            $inputs[] = new Input(Sentence::of('sum.heater.current'), null === $printer->limitA
                ? Sentence::of('sum.heater.current_at', ...$current)
                : Sentence::of('sum.heater.current_limited', ...$current, limit: Quantity::amperes($printer->limitA)), $ofPrinter);
        }

        return new Reckoning(
            'heater',
            Sentence::of('sum.heater.title'),
            Sentence::of(
                $check->enough ? 'sum.heater.enough' : 'sum.heater.weak',
                has: Quantity::wattsPerSquareCentimetre($check->wattsPerCm2),
                wanted: Quantity::wattsPerSquareCentimetre($check->neededWattsPerCm2),
            ),
            Sentence::of('sum.heater.formula'),
            $inputs,
            null === $check->mainsCaution() ? Sentence::of('sum.heater.source') : Sentence::of('sum.heater.source_mains', caution: $check->mainsCaution()),
        );
    }

    private function cost(): ?Reckoning
    {
        $side = $this->candidate->proposal->side;
        $agent = $this->candidate->proposal->agent;
        if (null === $this->candidate->costPerPrint) {
            return null;
        }

        return new Reckoning(
            'cost',
            Sentence::of('sum.cost.title'),
            Sentence::of('sum.figure', figure: Quantity::money($this->candidate->costPerPrint)),
            Sentence::of('sum.cost.formula'),
            [
                new Input(
                    Sentence::of('sum.cost.plate'),
                    Quantity::money($side->costPerPrint ?? 0.0, 0.001),
                    Sentence::of(
                        'sum.cost.plate_basis',
                        prints: Quantity::count($this->candidate->proposal->surface->lifePrints),
                        basis: $this->candidate->proposal->surface->basis->words(),
                    ),
                ),
                new Input(
                    Sentence::of('sum.cost.agent'),
                    Quantity::money($this->candidate->costPerPrint - ($side->costPerPrint ?? 0.0), 0.001),
                    null === $agent ? Sentence::of('candidate.bare') : Sentence::of(
                        'sum.cost.agent_basis',
                        prints: Quantity::count($agent->coatPrintsOn($this->candidate->proposal->surface->id)),
                    ),
                ),
            ],
            Sentence::of('sum.cost.source'),
        );
    }
}
