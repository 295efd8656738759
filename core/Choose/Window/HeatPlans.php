<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\CoolDown;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Heat\Stack;

/** Heat plans, reckoned once for plates that are built alike. */
final class HeatPlans
{
    /** @var array<string, HeatPlan> */
    private array $plans = [];
    /** @var array<string, string> */
    private array $builds = [];

    /**
     * Null where the layers are not known or the bed is unheated.
     *
     * @throws BadHeat if a figure cannot be
     */
    public function of(Proposal $proposal): ?HeatPlan
    {
        $stack = $proposal->stack;
        $display = $proposal->target?->displayC;
        if (null === $stack || null === $display || null === $proposal->pairing) {
            return null;
        }
        $releaseC = self::releaseC($proposal);
        $key = \sprintf(
            '%s|%.2f|%.1f|%.1f|%.1f|%.1f',
            $this->builds[$proposal->job->printer->id.$proposal->side->id] ??= $proposal->job->printer->id.'|'.self::build($stack),
            $display,
            $proposal->job->roomC,
            $proposal->job->airC(),
            $releaseC,
            $proposal->job->partsJK(),
        );

        return $this->plans[$key] ??= self::reckon($proposal, $stack, $display, $releaseC);
    }

    /**
     * Every way to cool that the plate stands, for the one candidate that is looked at.
     *
     * @return array<string, float|null> seconds by way; null: it never gets there
     *
     * @throws BadHeat if a figure cannot be
     */
    public function cooling(Proposal $proposal): array
    {
        $plan = $this->of($proposal);
        $stack = $proposal->stack;
        if (null === $plan || null === $stack) {
            return [];
        }
        $plate = new Stack($proposal->side->layers, $proposal->side->widthMm, $proposal->side->depthMm, $stack->resistanceFactor);
        $build = $proposal->side->build($proposal->surface);
        $seconds = [Cooling::StillAir->value => $plan->stillAirSeconds];
        $shock = $proposal->side->shockK();
        // Laid hot on a cold bench, a pane cracks.
        $comesOff = $build->comesOff && (null === $shock || $plan->heatUp->surfaceC - $proposal->job->roomC <= $shock);
        foreach ([Cooling::Fan, Cooling::OffPrinter, Cooling::Freezer] as $way) {
            if (Cooling::Freezer === $way ? $build->freezes : ($comesOff || !$way->plateAlone())) {
                $seconds[$way->value] = self::withParts($way->plateAlone() ? $plate : $stack, $proposal->job, CoolDown::seconds(
                    $way->plateAlone() ? $plate : $stack,
                    $way,
                    $plan->heatUp->surfaceC,
                    self::releaseC($proposal),
                    $proposal->job->roomC,
                ));
            }
        }

        return $seconds;
    }

    /** @throws BadHeat if a figure cannot be */
    private static function reckon(Proposal $proposal, Stack $stack, float $displayC, float $releaseC): HeatPlan
    {
        $printer = $proposal->job->printer;
        $roomC = $proposal->job->roomC;
        $watts = $printer->heaterW ?? HeatUp::USUAL_W_CM2 * $printer->bedAreaCm2();
        $heatUp = HeatUp::of($stack, $displayC, $proposal->job->airC(), $watts);
        // A heated chamber is switched off and opened to let the part cool.
        $cool = self::withParts($stack, $proposal->job, CoolDown::seconds($stack, Cooling::StillAir, $heatUp->surfaceC, $releaseC, $roomC));

        $chamber = null !== $printer->chamberC;

        return new HeatPlan(
            $heatUp,
            $cool,
            null === $printer->heaterW,
            $watts,
            $chamber ? 60 * ($printer->chamberMinutes ?? 0.0) : 0.0,
            $chamber ? $printer->chamberW ?? 0.0 : 0.0,
        );
    }

    /**
     * What stands on the plate cools with it: the time goes with the heat that has to leave (rough: the part is taken to be
     * as warm as the plate).
     */
    private static function withParts(Stack $stack, JobRequest $job, ?float $seconds): ?float
    {
        return null === $seconds ? null : $seconds * (1 + $job->partsJK() / $stack->heatJK());
    }

    private static function releaseC(Proposal $proposal): float
    {
        return $proposal->pairing?->releaseWithC($proposal->agent) ?? HeatUp::USUAL_RELEASE_C;
    }

    private static function build(Stack $stack): string
    {
        return implode(',', array_map(static fn (Layer $l): string => $l->of->id.$l->thicknessMm.'/'.$l->contactBelowM2KW, $stack->layers))
            .\sprintf('|%s|%s|%s|%s', $stack->widthMm, $stack->depthMm, $stack->resistanceFactor, $stack->displayReadsHighK);
    }
}
