<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Tests\Core\Shape\BuildsMeshes;
use Sitzplatz\Tests\Core\Words\Said;

/** Brim, ears and raft: which, and what they gain. */
final class FootholdTest extends TestCase
{
    use BuildsJobs;
    use BuildsMeshes;

    public function testABrimGainsWhatSteinerSays(): void
    {
        // A convex outline: A + P·w + π·w² (Steiner's formula for parallel bodies).
        self::assertEqualsWithDelta(210 * 4 + \M_PI * 16, self::thinBar()->gainedMm2(new Foothold(FootholdKind::Brim, 4)), 1e-9);
        // Two ends, half a disc each; without thin ends three quarters of a disc at each square corner.
        self::assertEqualsWithDelta(\M_PI * 36, self::thinBar()->gainedMm2(new Foothold(FootholdKind::Ears, 6)), 1e-9);
        self::assertEqualsWithDelta(4 * 0.75 * \M_PI * 36, self::block()->gainedMm2(new Foothold(FootholdKind::Ears, 6)), 1e-9);
        self::assertEqualsWithDelta(0, self::block()->gainedMm2(Foothold::none()), 0);
    }

    public function testAdviceIsThatOfPractice(): void
    {
        $pin = new PartFacts(20, 16, 5, 5, 40);
        $tall = new PartFacts(400, 80, 28, 20, 120, 4);
        $small = new PartFacts(100, 40, 14, 10, 10, 4);
        $link = new PartFacts(1500, 200, 100, 8, 15, 2, 2, 4, articulated: true);
        self::assertSame(FootholdKind::Ears, FootholdAdvice::for(self::thinBar(), 1)->foothold->kind, 'Ears at thin ends.');
        self::assertSame(FootholdKind::None, FootholdAdvice::for(self::block(), 1, material: self::catalogue()->material('pla'))->foothold->kind, 'A broad foot needs nothing.');
        self::assertSame(FootholdKind::Brim, FootholdAdvice::for(self::block(), 1, material: self::catalogue()->material('abs'))->foothold->kind, 'Four sharp corners of what shrinks hard.');
        self::assertSame(FootholdKind::Brim, FootholdAdvice::for($small, 1)->foothold->kind, 'A small contact: 3 to 5 mm of brim.');
        self::assertEqualsWithDelta(4, FootholdAdvice::for($small, 1)->foothold->mm, 1);
        self::assertSame(FootholdKind::Brim, FootholdAdvice::for($tall, 1)->foothold->kind, 'Tall and thin.');
        self::assertSame(FootholdKind::Raft, FootholdAdvice::for($pin, 1)->foothold->kind, 'Very small and tall.');
        self::assertSame(FootholdKind::Raft, FootholdAdvice::for(new PartFacts(25, 20, 7, 5, 5), 12)->foothold->kind, 'A batch of very small parts.');
        self::assertSame(FootholdKind::Raft, FootholdAdvice::for(self::block(), 1, self::catalogue()->surface('perforated_board'))->foothold->kind);
        self::assertSame(FootholdKind::None, FootholdAdvice::for($link, 20)->foothold->kind, 'Never a brim on what moves.');
        self::assertStringContainsString('advice.articulated', Said::of(FootholdAdvice::for($link, 20)->sentence));
        self::assertStringContainsString(
            'advice.articulated_raft',
            Said::of(FootholdAdvice::for($link, 1, self::catalogue()->surface('perforated_board'))->sentence),
        );
    }

    public function testTheGainIsSaid(): void
    {
        $advice = FootholdAdvice::for(new PartFacts(100, 40, 14, 10, 10, 4), 1);
        self::assertEqualsWithDelta(40 * 4 + \M_PI * 16, $advice->gainedMm2, 1e-9);
        self::assertSame('advice.gains foothold=(foothold.brim mm=4) why=[part.small_foot foot=100] gained=210.2655 contact=100', Said::of($advice->sentence));
    }

    public function testNearTheCoolerEdgeABrimIsAdvisedSooner(): void
    {
        // Common practice: a bed is cooler near its edge. PLA does not shrink hard, so in the middle a block of it goes without.
        $block = new PartFacts(200.0 * 150, 700, 250, 150, 10, 4);
        $brim = static fn (?float $width, ?float $depth): FootholdKind => self::rank(
            self::job('pla', ['part' => $block, 'widthMm' => $width, 'depthMm' => $depth]),
            [self::side('pei_textured')],
        )->candidates[0]->proposal->foothold()->kind;
        self::assertSame(FootholdKind::None, $brim(null, null), 'Where it lies is not known.');
        self::assertSame(FootholdKind::None, $brim(200, 150));
        self::assertSame(FootholdKind::Brim, $brim(200, 175), 'A bed of 250 × 210 mm is cooler over 170.');
        self::assertSame(FootholdKind::Brim, $brim(215, 150));
        self::assertStringContainsString('advice.near_edge', Said::of(FootholdAdvice::for($block, 1, nearEdge: true)->sentence));
        $round = new PartFacts(30000, 614, 195, 195, 10, 0);
        self::assertSame(FootholdKind::None, FootholdAdvice::foothold($round, 1, nearEdge: true)->kind, 'Without corners nothing lifts sooner.');
    }

    public function testAModelIsOnePartAndEachIslandOfAPlateIsOne(): void
    {
        // Two feet of 20 × 10 mm under one model.
        $model = self::read(self::binary([...self::box(0, 0, 20, 10, 5), ...self::box(40, 0, 20, 10, 5)]));
        $part = PartFacts::ofShape($model, true);
        self::assertSame([2, true, 8], [$part->islands, $part->articulated, $part->sharpCorners]);
        self::assertEqualsWithDelta([400, 120], [$part->contactAreaMm2, $part->outlineMm], 1e-3);
        self::assertEqualsWithDelta(2 * (60 * 3 + \M_PI * 9), $part->gainedMm2(new Foothold(FootholdKind::Brim, 3)), 0.2);
        self::assertFalse(PartFacts::footholdIn($model)->helps());
    }

    public function testTheBrimOfAPlateIsReadBackFromItsArea(): void
    {
        $plate = self::read(self::squareWithBrim(20, 8));
        self::assertNotNull($plate->firstLayer);
        self::assertTrue($plate->firstLayer->brim);
        $foothold = PartFacts::footholdIn($plate);
        self::assertSame(FootholdKind::Brim, $foothold->kind);
        // Eight lines of 0.45 mm.
        self::assertEqualsWithDelta(3.6, $foothold->mm, 0.4);
    }

    /** A square of solid lines with so many brim loops around it, one layer and another on it. */
    private static function squareWithBrim(float $side, int $loops): string
    {
        $width = 0.45;
        $e = 0.0;
        $perMm = $width * 0.2 / (\M_PI * 1.75 ** 2 / 4);
        $lines = ['M82', 'G90', 'M104 S215', 'M140 S60', 'G92 E0'];
        $loop = static function (float $half) use (&$lines, &$e, $perMm): void {
            $lines[] = \sprintf('G0 X%.3f Y%.3f F6000', 100 - $half, 100 - $half);
            foreach ([[$half, -$half], [$half, $half], [-$half, $half], [-$half, -$half]] as [$x, $y]) {
                $e += 2 * $half * $perMm;
                $lines[] = \sprintf('G1 X%.3f Y%.3f E%.5f F1200', 100 + $x, 100 + $y, $e);
            }
        };
        foreach ([0.2, 0.4] as $z) {
            $lines[] = \sprintf('G0 Z%.2f', $z);
            for ($i = 0.2 === $z ? $loops : 0; $i >= 1; --$i) {
                $loop($side / 2 + ($i - 0.5) * $width);
            }
            for ($half = $side / 2 - $width / 2; $half > $width / 2; $half -= $width) {
                $loop($half);
            }
        }

        return implode("\n", $lines)."\n";
    }
}
