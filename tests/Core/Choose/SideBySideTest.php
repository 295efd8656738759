<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Detail\Facet;
use Sitzplatz\Choose\Detail\SideBySide;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;

/** Two setups held against each other: numbers, gates and reasons. */
final class SideBySideTest extends TestCase
{
    use BuildsJobs;

    public function testNumbersAndReasonsThatDiffer(): void
    {
        $runs = [RunsMade::of('P1', 'pei_textured', null, 56, 12, 12, 6, 6)];
        $ranking = self::rank(self::job('pla'), [self::side('pei_textured', 'P1'), self::side('glass', 'P6')], ['pva_stick'], $runs);
        $one = self::find($ranking, 'pei_textured') ?? self::fail();
        $other = self::find($ranking, 'glass', 'pva_stick') ?? self::fail();
        $side = SideBySide::of($one, $other, $ranking);
        $facets = array_column($side->facets, null, 'id');
        self::assertFalse($facets['surface']->same);
        self::assertSame(['textured PEI', 'glass'], [self::said($facets['surface']->one), self::said($facets['surface']->other)]);
        self::assertTrue($facets['printer']->same);
        self::assertSame('known.own held=12 runs=12', self::said($facets['known']->one));
        self::assertStringStartsWith('known.would_tell basis=basis.practice runs=(runs.exactly from=5 to=5)', self::said($facets['known']->other));
        // No range is said to reach 100 %.
        self::assertGreaterThan(0.99, $one->hold->prediction->chance->interval()->high);
        self::assertStringEndsWith(' high=0.99', self::said($facets['hold']->one));
        self::assertMatchesRegularExpression('/expect\.hold practice=0\.95 here=[0-9.]+ runs=12 well=12/', implode(' ', array_map(Said::of(...), $side->reasons[0])));
        self::assertMatchesRegularExpression('/expect\.hold practice=0\.95 here=[0-9.]+ runs=0 well=0/', implode(' ', array_map(Said::of(...), $side->reasons[1])));
        self::assertSame([[], []], $side->gates);
        self::assertStringContainsString('side_by_side.never better=(candidate.label side=P1 front', Said::of($side->better ?? self::fail()));
    }

    public function testWhatIsRuledOutShowsEveryGate(): void
    {
        $job = self::job('abs', ['printer' => self::printer(['magnetLimitC' => 80.0, 'usualPlateMm' => 0.7, 'zTravelBelowMm' => 1.0])]);
        $ranking = self::rank($job, [
            self::side('pei_smooth', 'P1'),
            self::side('glass', 'P3', heldBy: HoldDown::Magnet, layers: self::layers([['borosilicate_glass', 4.0]])),
        ]);
        $side = SideBySide::of($ranking->candidates[0], $ranking->rejections[0], $ranking);
        self::assertNull($side->better);
        self::assertSame([], $side->gates[0]);
        $gates = implode(' ', array_map(Said::of(...), $side->gates[1]));
        self::assertStringContainsString('gate.z_travel side=P3 front', $gates);
        self::assertStringContainsString('stop.magnet printer=North bay', $gates);
    }

    public function testASureDifferenceIsSaidToBeSure(): void
    {
        $runs = [RunsMade::of('P1', 'pei_textured', null, 56, 30, 30, 30, 30), RunsMade::of('P6', 'glass', null, 63, 20, 2, 2, 2)];
        $ranking = self::rank(self::job('pla'), [self::side('pei_textured', 'P1'), self::side('glass', 'P6')], [], $runs);
        self::assertStringStartsWith('side_by_side.sure better=(candidate.label side=P1 front agent=candidate.bare) sure=0.99', Said::of(SideBySide::of($ranking->candidates[1], $ranking->candidates[0], $ranking)->better ?? self::fail()));
    }

    public function testWhatDiffersByLessThanIsSaidIsTheSame(): void
    {
        self::assertTrue((new Facet('display', Quantity::celsius(58.2, 1), Quantity::celsius(57.9, 1)))->same);
        self::assertFalse((new Facet('display', Quantity::celsius(58.6, 1), Quantity::celsius(57.9, 1)))->same);
        self::assertFalse((new Facet('display', Quantity::celsius(58, 1), null))->same);
    }

    private static function said(?Phrase $phrase): string
    {
        return null === $phrase ? '' : Said::of($phrase);
    }
}
