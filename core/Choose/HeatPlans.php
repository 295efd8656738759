<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

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

    /** Null where the layers are not known or the bed is unheated. */
    public function of(Proposal $proposal): ?HeatPlan
    {
        $stack = $proposal->stack;
        $display = $proposal->target?->displayC;
        if (null === $stack || null === $display || null === $proposal->pairing) {
            return null;
        }
        $releaseC = $proposal->pairing->releaseC ?? 40.0;
        $key = \sprintf('%s|%.2f|%.1f|%.1f', $this->builds[$proposal->side->id] ??= self::build($stack, $proposal->surface->freezes), $display, $proposal->job->roomC, $releaseC);

        return $this->plans[$key] ??= self::reckon($proposal, $stack, $display, $releaseC);
    }

    private static function reckon(Proposal $proposal, Stack $stack, float $displayC, float $releaseC): HeatPlan
    {
        $printer = $proposal->job->printer;
        $roomC = $proposal->job->roomC;
        $watts = $printer->heaterW ?? HeatUp::USUAL_W_CM2 * $printer->bedWidthMm * $printer->bedDepthMm / 100;
        $heatUp = HeatUp::of($stack, $displayC, $roomC, $watts);
        $plate = new Stack($proposal->side->layers, $proposal->side->widthMm, $proposal->side->depthMm, $stack->resistanceFactor);
        $seconds = [];
        foreach (Cooling::cases() as $way) {
            if (Cooling::Freezer === $way && !$proposal->surface->freezes) {
                continue;
            }
            $seconds[$way->value] = CoolDown::seconds($way->plateAlone() ? $plate : $stack, $way, $heatUp->surfaceC, $releaseC, $roomC);
        }

        return new HeatPlan($heatUp, $seconds, null !== $proposal->side->measured, null === $printer->heaterW, $watts);
    }

    private static function build(Stack $stack, bool $freezes): string
    {
        return implode(',', array_map(static fn (Layer $l): string => $l->of->id.$l->thicknessMm.'/'.$l->contactBelowM2KW, $stack->layers))
            .\sprintf('|%s|%s|%s|%s|%d', $stack->widthMm, $stack->depthMm, $stack->resistanceFactor, $stack->displayReadsHighK, $freezes);
    }
}
