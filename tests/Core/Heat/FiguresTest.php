<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Heat;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Heat\Air;
use Sitzplatz\Heat\CoolDown;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\Face;
use Sitzplatz\Heat\HeaterCheck;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Tests\Core\HoldsFigures;

/** Heating up, holding and cooling of many builds. */
final class FiguresTest extends TestCase
{
    use BuildsStacks;
    use HoldsFigures;

    private const BUILDS = [
        'steel on a magnet' => [['aluminium', 3], ['magnet_sheet', 0.8], ['spring_steel', 0.5, 2e-4], ['pei', 0.08]],
        'glass on a board' => [['epoxy_glass', 1.6], ['borosilicate_glass', 4, 2e-4]],
        'laminate over air' => [['aluminium', 4], ['air', 0.4], ['carbon_laminate', 2]],
        'bare aluminium' => [['aluminium', 6]],
        'pad and composite' => [['aluminium', 3], ['silicone', 1], ['polymer_composite', 3, 1e-4]],
    ];

    public function testTheyStayAsTheyAre(): void
    {
        $figures = [];
        foreach (self::BUILDS as $name => $layers) {
            foreach ([[250.0, 210.0], [120.0, 120.0]] as [$width, $depth]) {
                $stack = self::stack($layers, $width, $depth);
                $key = "$name ".(int) $width;
                foreach ([[60.0, 20.0, 220.0], [105.0, 31.0, 400.0], [105.0, 12.0, 60.0]] as [$display, $room, $watts]) {
                    $figures["$key $display $room"] = [
                        $stack->surfaceAt($display, $room), $stack->displayFor($display - 8, $room), $stack->lossWM2($display, $room), $stack->holdingWM2($display, $room),
                        HeatUp::of($stack, $display, $room, $watts),
                        array_map(static fn (Cooling $way): ?float => CoolDown::seconds($stack, $way, $display, 35.0, $room), Cooling::cases()),
                    ];
                }
                $figures[$key] = [
                    $stack->heatJK(), $stack->thicknessMm(), $stack->resistanceM2KW(), $stack->calibrated(100.0, 88.0, 21.0)->surfaceAt(70.0, 20.0),
                    $stack->top(20.0, 2.0)->coefficientWM2K(80.0), $stack->underside(20.0)->coefficientWM2K(80.0),
                ];
            }
        }
        foreach ([[-18.0, 5.0], [20.0, 60.0], [45.0, 150.0]] as [$air, $face]) {
            $figures["air $air $face"] = [
                new Air(($air + $face) / 2), Face::up($air, 200, 150, 0.9)->coefficientWM2K($face), Face::up($air, 200, 150, 0.1, 1.5)->coefficientWM2K($face),
                Face::down($air, 200, 150, 0.9)->coefficientWM2K($face), Face::up($face, 300, 30, 0.9)->coefficientWM2K($air),
            ];
        }
        foreach ([[150.0, 400.0, 60.0, 24.0, 8.0], [600.0, 900.0, 120.0, 230.0, null], [300.0, 706.9, 110.0, 24.0, 10.0], [40.0, 500.0, 80.0, null, null]] as $i => [$w, $area, $bed, $volts, $limit]) {
            $check = HeaterCheck::of($w, $area, $bed, $volts, $limit);
            $figures["heater $i"] = [$check, $check->cautions(), $check->overload(), $check->mainsCaution()];
        }
        self::hold('heat', $figures);
    }
}
