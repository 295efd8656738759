<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Window;

use Sitzplatz\Catalogue\Enclosure;
use Sitzplatz\Catalogue\Material;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Heat\BadHeat;
use Sitzplatz\Heat\ClosedBox;
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

        $plan = $this->plans[$key] ??= self::reckon($proposal, $stack, $display, $releaseC);

        return null === $proposal->side->stripFirst ? $plan : $plan->stripped();
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
        $printer = $proposal->job->printer;
        $shut = $printer->isShut();
        $opensBelow = self::opensBelowC($proposal->job->material);
        $part = $proposal->job->part;
        foreach ([Cooling::OpenDoor, Cooling::Fan, Cooling::OffPrinter, Cooling::Freezer] as $way) {
            $stands = match ($way) {
                Cooling::OpenDoor => $shut && null !== $opensBelow,
                Cooling::Fan => !$shut || null !== $opensBelow,
                Cooling::OffPrinter => $comesOff && (!$shut || null !== $opensBelow),
                default => $build->freezes,
            };
            if ($stands) {
                $seconds[$way->value] = $way->plateAlone()
                    ? CoolDown::underPart(
                        $plate,
                        $way,
                        $plan->heatUp->surfaceC,
                        self::releaseC($proposal),
                        $proposal->job->roomC,
                        $part?->heightMm,
                        $part?->contactAreaMm2,
                        $part?->outlineMm,
                    )
                    : self::withParts($stack, $proposal->job, CoolDown::seconds(
                        $stack,
                        $way,
                        $plan->heatUp->surfaceC,
                        self::releaseC($proposal),
                        $proposal->job->roomC,
                        self::box($proposal->job, $plan->heatUp->surfaceC),
                        $opensBelow ?? \INF,
                    ));
            }
        }

        return $seconds;
    }

    /**
     * From where on the door may be opened over a part of a material, °C: what has to be shut in cracks by it; what wants to be only
     * once it is stiff (common practice).
     *
     * @return float|null null: not before it is cold
     */
    public static function opensBelowC(Material $material): ?float
    {
        return match ($material->enclosure) {
            Enclosure::No => \INF,
            Enclosure::Wanted => $material->crystallisesC ?? $material->glassTransitionC[0] ?? \INF,
            Enclosure::Needed => null,
        };
    }

    /** The air that a closed printer cools in; null: it is open. */
    private static function box(JobRequest $job, float $surfaceC): ?ClosedBox
    {
        return $job->printer->isShut() ? new ClosedBox($job->printer->airAroundC($job->roomC, $surfaceC), $job->roomC) : null;
    }

    /** @throws BadHeat if a figure cannot be */
    private static function reckon(Proposal $proposal, Stack $stack, float $displayC, float $releaseC): HeatPlan
    {
        $printer = $proposal->job->printer;
        $roomC = $proposal->job->roomC;
        $watts = $printer->heaterW ?? HeatUp::USUAL_W_CM2 * $printer->bedAreaCm2();
        $heatUp = HeatUp::of($stack, $displayC, $proposal->job->airC(), $watts);
        // With the door shut, a heated chamber switched off.
        $cool = self::withParts($stack, $proposal->job, CoolDown::seconds(
            $stack,
            Cooling::StillAir,
            $heatUp->surfaceC,
            $releaseC,
            $roomC,
            self::box($proposal->job, $heatUp->surfaceC),
        ));

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
