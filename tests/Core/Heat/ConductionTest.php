<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Heat;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\LayerMaterial;
use Sitzplatz\Heat\ConstantCoefficient;
use Sitzplatz\Heat\CoolDown;
use Sitzplatz\Heat\Cooling;
use Sitzplatz\Heat\HeatUp;
use Sitzplatz\Heat\Internal\ConductionGrid;
use Sitzplatz\Heat\Layer;
use Sitzplatz\Words\CatalogueText;

/** The solver against analytic solutions. */
final class ConductionTest extends TestCase
{
    use BuildsStacks;

    /**
     * Plane wall, one-term approximation, valid for Fo > 0.2 (at 0.3 the second term is still worth 0.5 K of 100): θ = C₁ exp(−ζ₁² Fo) at the insulated middle and
     * θ cos ζ₁ at the face. Incropera & DeWitt, table 5.1 (from memory): ζ₁ and C₁ for three Biot numbers.
     *
     * @return iterable<string, array{float, float, float}>
     */
    public static function planeWalls(): iterable
    {
        yield 'Bi 0.1' => [0.1, 0.3111, 1.0161];
        yield 'Bi 1' => [1.0, 0.8603, 1.1191];
        yield 'Bi 10' => [10.0, 1.4289, 1.2620];
    }

    #[DataProvider('planeWalls')]
    public function testAPlaneWallCoolsAsTheTableSays(float $biot, float $zeta, float $c): void
    {
        // Half thickness 10 mm, k 0.2 W/mK, diffusivity 0.2 / (1000 · 1000) = 2e-7 m²/s.
        $wall = new LayerMaterial('wall', new CatalogueText('layer.wall.name', 'wall'), 0.2, 1000, 1000, 0.9, false, false, Basis::Memory);
        $grid = new ConductionGrid([new Layer($wall, 10)], 1, 100, cells: 60);
        $top = new ConstantCoefficient($biot * 0.2 / 0.01, 0);
        $insulated = new ConstantCoefficient(0, 0);
        foreach ([0.5, 0.9, 1.5] as $i => $fourier) {
            $seconds = ($fourier - [0, 0.5, 0.9][$i]) * 0.01 ** 2 / 2e-7;
            for ($n = 0; $n < 2000; ++$n) {
                $grid->heat($seconds / 2000, 0, $insulated, $top);
            }
            $middle = 100 * $c * exp(-$zeta ** 2 * $fourier);
            self::assertEqualsWithDelta($middle, $grid->cellC[0], 0.12, "Fo $fourier, middle");
            self::assertEqualsWithDelta($middle * cos($zeta), $grid->surfaceC(), 0.12, "Fo $fourier, face");
        }
    }

    /** @return iterable<string, array{list<array{string, float, 2?: float}>}> */
    public static function plates(): iterable
    {
        yield 'thin steel' => [[['aluminium', 3], ['spring_steel', 0.5, 3e-4], ['pei', 0.08]]];
        yield 'thick composite' => [[['aluminium', 3], ['polymer_composite', 2.2, 3e-4], ['copper', 0.1], ['polymer_composite', 2.2]]];
        yield 'glass' => [[['aluminium', 3], ['borosilicate_glass', 4, 3e-4]]];
        yield 'glass over a gap of air' => [[['aluminium', 3], ['air', 0.5], ['borosilicate_glass', 4]]];
        yield 'a composite over a wide gap' => [[['aluminium', 3], ['air', 2], ['polymer_composite', 2.2], ['copper', 0.1], ['polymer_composite', 2.2]]];
    }

    /** @param list<array{string, float, 2?: float}> $layers */
    #[DataProvider('plates')]
    public function testLongStepsChangeTimesByLittle(array $layers): void
    {
        // The same solver, which the plane wall above pins, by steps of a tenth of a second.
        $stack = self::stack($layers);
        [$top, $below] = [$stack->top(20), $stack->underside(20)];
        $most = 300 / (0.25 * 0.21);
        $grid = new ConductionGrid($stack->layers, 1, 20);
        $settles = $stack->surfaceAt(100, 20);
        $joules = 0.0;
        for ($up = 0.0, $ready = null; null === $ready || $grid->surfaceC() < $settles - 2; $up += 0.1) {
            $holding = $grid->heaterToHoldWM2(100, $below);
            $joules += min($most, $holding) * 0.25 * 0.21 * 0.1;
            if ($holding > $most) {
                $grid->heat(0.1, $most, $below, $top);
            } else {
                $ready ??= $up;
                $grid->hold(0.1, 100, $top);
            }
        }
        $sum = HeatUp::of($stack, 100, 20, 300);
        self::assertEqualsWithDelta($up, $sum->totalSeconds(), 0.03 * $up);
        self::assertEqualsWithDelta($ready, $sum->displayReadySeconds, 0.03 * $up);
        self::assertEqualsWithDelta($joules / 3600, $sum->energyWh, 0.04 * $joules / 3600);
        $grid->settle(95, $stack->lossWM2(95, 20));
        for ($down = 0.0; $grid->surfaceC() > 40; $down += 0.1) {
            $grid->heat(0.1, 0, $below, $top);
        }
        self::assertEqualsWithDelta($down, CoolDown::seconds($stack, Cooling::StillAir, 95, 40, 20), 0.03 * $down);
    }

    public function testASteadyFlowFallsInProportionToResistance(): void
    {
        // Fourier's law: 10 mm of k 0.2 is 0.05 m²K/W, a contact 0.02, the face 1/10: a flow of 100/0.17 W/m².
        $one = new LayerMaterial('one', new CatalogueText('layer.one.name', 'one'), 0.2, 1000, 1000, 0.9, false, false, Basis::Memory);
        $grid = new ConductionGrid([new Layer($one, 5), new Layer($one, 5, 0.02)], 1, 0);
        $top = new ConstantCoefficient(10, 0);
        for ($n = 0; $n < 400; ++$n) {
            $grid->hold(60, 100, $top);
        }
        self::assertEqualsWithDelta(100 * 0.1 / 0.17, $grid->surfaceC(), 1e-6);
        self::assertEqualsWithDelta(100 / 0.17, $grid->heaterToHoldWM2(100, new ConstantCoefficient(0, 0)), 1e-5);
        self::assertEqualsWithDelta(100 / 0.17 + 5 * (100 - 20), $grid->heaterToHoldWM2(100, new ConstantCoefficient(5, 20)), 1e-5);
    }

    public function testHeatThatGoesInStaysIn(): void
    {
        // Energy balance: 1000 W/m² for 100 s into an insulated 8 mm of aluminium warms it by 1e5 / (0.008·2700·896) K.
        $aluminium = new LayerMaterial('al', new CatalogueText('layer.al.name', 'aluminium'), 167, 2700, 896, 0.1, true, false, Basis::Handbook);
        $grid = new ConductionGrid([new Layer($aluminium, 8)], 1, 20);
        $insulated = new ConstantCoefficient(0, 20);
        for ($n = 0; $n < 10; ++$n) {
            $grid->heat(10, 1000, $insulated, $insulated);
        }
        self::assertEqualsWithDelta(20 + 1e5 / (0.008 * 2700 * 896), $grid->cellC[0], 1e-9);
    }

    public function testAThinFilmOverSteelDoesNotRing(): void
    {
        // Backward Euler never overshoots, however long the step: the film stays between its neighbours.
        $steel = new LayerMaterial('steel', new CatalogueText('layer.steel.name', 'steel'), 47, 7850, 470, 0.9, true, true, Basis::Handbook);
        $film = new LayerMaterial('film', new CatalogueText('layer.film.name', 'film'), 0.22, 1270, 1200, 0.9, false, false, Basis::Handbook);
        $grid = new ConductionGrid([new Layer($steel, 0.5), new Layer($film, 0.05)], 1, 20);
        $top = new ConstantCoefficient(10, 20);
        $before = 20.0;
        for ($n = 0; $n < 20; ++$n) {
            $grid->hold(30, 100, $top);
            self::assertGreaterThanOrEqual($before - 1e-9, $grid->surfaceC());
            self::assertLessThan(100, $grid->surfaceC());
            $before = $grid->surfaceC();
        }
    }
}
