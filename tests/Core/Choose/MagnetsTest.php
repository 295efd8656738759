<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\Magnets;
use Sitzplatz\Tests\Core\Words\Said;

/** What holds a plate: how hot it may get, and its force against the part's pull and the sling of the bed. */
final class MagnetsTest extends TestCase
{
    use BuildsJobs;

    public function testTheGradeGivesTheRatedLimitWhereNoneIsNoted(): void
    {
        $rated = static fn (string $grade, ?float $noted = null): ?float => (new Magnets($grade, $noted, null))->ratedC();
        // Common practice for sintered neodymium; the figures are from memory.
        self::assertEqualsWithDelta([80, 100, 120, 150, 180, 200], array_map($rated, ['N52', 'N45M', 'n42h', 'N42 SH', 'N38UH', 'N38EH']), 1e-9);
        self::assertNull($rated('ferrite sheet'));
        self::assertEqualsWithDelta(70.0, $rated('N52', 70.0), 1e-9, 'What somebody noted goes before.');
    }

    public function testASoakThatCostForceIsNotPassed(): void
    {
        $says = static fn (array $before, array $after, ?float $soak = 100.0): ?string => (new Magnets('', 80.0, $soak, array_values($before), array_values($after)))->refusesSoak()?->key;
        self::assertNull($says([20, 21, 22], [20, 20, 21]));
        self::assertSame('magnets.weaker', $says([20, 21, 22], [16, 17, 18]));
        self::assertNull($says([20, 21, 22], [16, 17, 18], null), 'Nobody claims that it passed.');
        self::assertNull($says([], [16, 17, 18]), 'Nobody pulled before.');
        self::assertEqualsWithDelta(17.0, (new Magnets('', 80.0, 100.0, [20, 21, 22], [16, 17, 18]))->holdsN(), 1e-9);
    }

    /** Common practice: where the magnets are weaker than the part, the plate lifts before the part does; a bed that slings shifts it. */
    public function testTheForceIsHeldAgainstThePullAndTheSling(): void
    {
        // By hand: 250 × 210 mm of 0.5 mm steel and 0.08 mm PEI are 0.0525 m² × (3.925 + 0.1016) kg/m² = 0.2114 kg.
        $side = self::side('pei_textured', layers: self::layers([['spring_steel', 0.5], ['pei', 0.08]], true), heldBy: HoldDown::Magnet);
        self::assertEqualsWithDelta(0.2114, $side->massKg(), 1e-4);
        // 2 × 10 N × 0.2 / 0.2114 kg = 18.92 m/s².
        self::assertEqualsWithDelta(18921, Magnets::slidesFromMmS2(10.0, 0.2114), 1.0);
        $heeds = static fn (array $printer): string => implode(' | ', Said::all(self::rank(
            self::job('pla', ['printer' => self::printer(['bedMoves' => true, ...$printer])]),
            [$side],
        )->candidates[0]->heeds(null)));
        self::assertStringContainsString('heed.plate_lifts holds=10', $heeds(['magnetHoldsN' => 10.0]));
        self::assertStringNotContainsString('heed.plate_lifts', $heeds(['magnetHoldsN' => 25.0]));
        self::assertStringContainsString('heed.slides', $heeds(['magnetHoldsN' => 1.0, 'bedAccelMmS2' => 5000.0]));
        self::assertStringNotContainsString('heed.slides', $heeds(['magnetHoldsN' => 10.0, 'bedAccelMmS2' => 5000.0]));
        self::assertStringNotContainsString('heed.slides', $heeds(['magnetHoldsN' => 1.0, 'bedAccelMmS2' => 5000.0, 'bedMoves' => false]));
    }
}
