<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\Influence;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\SideState;
use Sitzplatz\Wear\SideHistory;

/**
 * What each circumstance is worth on log-odds, by hand from its sum. Directions are common practice (trade notes, sections 5 to 11): a printer
 * that slings, a long print, a cool bed, a wide gap hold less; heat, a near gap, a large foot on what does not bend let go less. Sizes are ours.
 */
final class InfluencesTest extends TestCase
{
    use BuildsJobs;

    /** Of 55 °C usual, 50 to 65: PLA on textured PEI, whose layers nobody knows, so that the display is the surface. */
    private const BARE = ['pei_textured', ['layers' => []]];

    /** @return iterable<string, array{array<string, mixed>, array<string, array{float, float}>, 2?: array{string, array<string, mixed>}, 3?: string}> job, influences, side, material */
    public static function circumstances(): iterable
    {
        $tall = static fn (float $heightMm): PartFacts => new PartFacts(400, 80, 28, 20, $heightMm, 4);
        $slings = ['printer' => self::printer(['bedMoves' => true])];
        yield 'how long it takes is learned' => [['minutes' => 480.0], []];
        yield 'how many parts there are, too' => [['partCount' => 9], []];
        // Strong to poor is ln(19) + ln(4) for ten parts, of which 0.4 · ln(10) is what ten parts cost anywhere.
        yield 'a full plate where practice tells it apart' => [['partCount' => 10], ['full_plate' => [-log(76) + 0.4 * log(10), 0.0]], ['carbon_laminate', []]];
        yield 'half of the way' => [['partCount' => 4], ['full_plate' => [-log(76) / 3 + 0.4 * log(4), 0.0]], ['carbon_laminate', []]];
        yield 'more than full' => [['partCount' => 30], ['full_plate' => [-log(76) + 0.4 * log(10), 0.0]], ['carbon_laminate', []]];
        yield 'as tall as twice its foot on a bed that slings' => [['part' => $tall(40.0)] + $slings, []];
        yield 'four times' => [['part' => $tall(80.0)] + $slings, ['slinging' => [-0.5, 0.0]]];
        yield 'on a bed that stands' => [['part' => $tall(80.0)], []];
        yield 'at the cool end of its window' => [['bedC' => 50.0], ['temperature' => [-0.8, 0.0]]];
        yield 'half of the way there' => [['bedC' => 52.5], ['temperature' => [-0.2, 0.0]]];
        yield 'two degrees below the window' => [['bedC' => 48.0], ['temperature' => [-0.8 - 2 * 0.35, 0.0]]];
        yield 'at its warm end' => [['bedC' => 65.0], ['temperature' => [0.3, -0.5]]];
        yield 'two degrees beyond' => [['bedC' => 67.0], ['temperature' => [0.3, -0.5 - 2 * 0.35]]];
        yield 'as it is usual' => [['bedC' => 55.0], []];
        yield 'a nozzle ten degrees hotter' => [['nozzleC' => 10.0], ['nozzle' => [0.2, -0.2]]];
        yield 'forty degrees hotter: no more than thirty' => [['nozzleC' => 40.0], ['nozzle' => [0.6, -0.6]]];
        yield 'one degree cooler, and inside what is usual' => [['nozzleC' => -1.0], ['nozzle' => [-0.02, 0.0]]];
        yield 'as hot as usual' => [['nozzleC' => 0.0], []];
        yield 'a worn sheet: twice its life' => [[], ['worn' => [-1.0, 0.0]], ['pei_textured', ['layers' => [], 'state' => 2.0]]];
        yield 'five times its life: no more than four' => [[], ['worn' => [-2.0, 0.0]], ['pei_textured', ['layers' => [], 'state' => 5.0]]];
        yield 'torn twice' => [[], ['damaged' => [-1.0, -1.0]], ['pei_textured', ['layers' => [], 'state' => new SideState(damages: 2)]]];
        yield 'torn again and again' => [[], ['damaged' => [-2.0, -2.0]], ['pei_textured', ['layers' => [], 'state' => new SideState(damages: 9)]]];
        yield 'a printer that was changed since' => [[], ['changed' => [-0.3, -0.15]], ['pei_textured', ['layers' => [], 'state' => new SideState(changesSince: 1)]]];
        yield 'a foot of 25 cm² on glass' => [['part' => new PartFacts(2500, 200, 70, 50, 20, 4)], ['contact' => [0.0, -0.45]], ['glass', []]];
        yield 'of 75 cm²' => [['part' => new PartFacts(7500, 350, 122, 87, 20, 4)], ['contact' => [0.0, -0.9]], ['glass', []]];
        yield 'the same on a plate that bends' => [['part' => new PartFacts(7500, 350, 122, 87, 20, 4)], []];
        yield 'a sheet that would bend, on glass' => [[], ['stiff_plate' => [0.0, -0.7]], ['pei_smooth', ['layers' => self::layers([['borosilicate_glass', 4.0]], true)]]];
        yield 'ABS, which wants air of 60 °C, in a room of 20' => [['printer' => self::printer(['enclosed' => false])], ['air' => [-1.7, 0.0]], self::BARE, 'abs'];
        // The bed of 104 °C warms a closed box to 20 + 0.35 · 84.
        yield 'in a closed box' => [[], ['air' => [-1.7 * (60 - 49.4) / 40, 0.0]], self::BARE, 'abs'];
        yield 'in a chamber of 60 °C' => [['printer' => self::printer(['chamberC' => 60.0])], [], self::BARE, 'abs'];
        yield 'in a cold garage: a quarter more at most' => [['roomC' => 5.0, 'printer' => self::printer(['enclosed' => false])], ['air' => [-1.7 * 1.25, 0.0]], self::BARE, 'abs'];
    }

    /**
     * @param array<string, mixed>                $change   members of the job; the nozzle as from what is usual, K
     * @param array<string, array{float, float}>  $expected on holding, on letting go
     * @param array{string, array<string, mixed>} $side
     */
    #[DataProvider('circumstances')]
    public function testACircumstanceIsWorth(array $change, array $expected, array $side = self::BARE, string $material = 'pla'): void
    {
        [$surface, $made] = $side;
        if (\is_float($made['state'] ?? null)) {
            $made['state'] = new SideState(printsOnSurface: (int) round($made['state'] * self::catalogue()->surface($surface)->lifePrints));
        }
        if (isset($change['nozzleC'])) {
            $usual = self::catalogue()->material($material)->nozzleC ?? [0, 0];
            $change['nozzleC'] += ($usual[0] + $usual[1]) / 2;
        }
        $found = self::of(self::rank(self::job($material, $change), [self::side($surface, ...['heldBy' => HoldDown::Clips] + $made)])->candidates[0]->moved->all());
        // Warp has sums of its own.
        unset($found['warp']);
        self::assertSame(array_keys($expected), array_keys($found));
        foreach ($expected as $id => $moved) {
            self::assertEqualsWithDelta($moved, $found[$id], 1e-9, $id);
        }
    }

    public function testTheGapIsAWindowOfItsOwn(): void
    {
        $ranking = static fn (float $gapMm): array => self::of(self::rank(self::job('pla', ['gapMm' => $gapMm]), [self::side('pei_textured')])->candidates[0]->moved->all());
        $window = self::rank(self::job('pla'), [self::side('pei_textured')])->candidates[0]->pairing->gapMm;
        self::assertSame([], $ranking($window->target));
        self::assertSame([], $ranking(-0.1), 'An offset of the machine says nothing of the gap.');
        // At the near end 0.8 on letting go, and three tenths of it more grip; a tenth of a millimetre beyond costs 2.5 more.
        self::assertEqualsWithDelta(['gap' => [0.24, -0.8]], $ranking($window->low), 1e-9);
        self::assertEqualsWithDelta(['gap' => [0.3 * (0.8 + 25 * 0.01), -0.8 - 25 * 0.01]], $ranking($window->low - 0.01), 1e-9);
        self::assertEqualsWithDelta(['gap' => [-0.5, 0.0]], $ranking($window->high), 1e-9);
        self::assertEqualsWithDelta(['gap' => [-0.5 - 25 * 0.1, 0.0]], $ranking($window->high + 0.1), 1e-9);
    }

    /** A brim of 3 mm leaves a third of what a delicate part lacks; ears hold ends only, so they want twice the size; a raft leaves an eighth. */
    public function testAFootholdMakesUpForADelicatePart(): void
    {
        $lacks = static fn (Foothold $foothold): float => self::of(self::rank(self::job('pla', ['part' => self::thinBar(), 'foothold' => $foothold]), [self::side('pei_textured')])->candidates[0]->moved->all())['delicate'][0];
        $whole = $lacks(Foothold::none());
        // From strong to fair: ln(0.7/0.3) − ln(0.95/0.05).
        self::assertEqualsWithDelta(log(0.7 / 0.3) - log(19), $whole, 1e-9);
        self::assertEqualsWithDelta($whole * exp(-1), $lacks(new Foothold(FootholdKind::Brim, 3.0)), 1e-9);
        self::assertEqualsWithDelta($whole * exp(-1), $lacks(new Foothold(FootholdKind::Ears, 6.0)), 1e-9);
        self::assertEqualsWithDelta($whole * exp(-2), $lacks(new Foothold(FootholdKind::Raft)), 1e-9);
    }

    /** Six points of log-odds for a hundred prints since it was washed, and no more than forty of them count; a coat that is not this one costs two. */
    public function testWhatIsLeftUndoneCostsByHowLongItIs(): void
    {
        $without = static fn (SideState $state, ?string $agent = null): array => array_column($state->steps(self::catalogue()->surface('pei_textured'), null === $agent ? null : self::catalogue()->agent($agent)), 'without', 'id');
        self::assertSame([], $without(new SideState()));
        self::assertEqualsWithDelta(['wash' => -0.06 * 30], $without(new SideState(printsSinceWash: 30)), 1e-9);
        self::assertEqualsWithDelta(['wash' => -0.06 * 40], $without(new SideState(printsSinceWash: 400)), 1e-9);
        self::assertEqualsWithDelta(['wash' => -2.0, 'coat' => 0.0], $without(new SideState(coat: self::catalogue()->agent('pva_stick')), 'polymer_adhesive'), 1e-9);
        self::assertEqualsWithDelta(['wipe' => -0.3], $without(new SideState(daysStanding: 14.0)), 1e-9);
        self::assertSame([], $without(new SideState(daysStanding: 13.0)));
    }

    public function testAStateIsThatOfItsHistory(): void
    {
        $now = (float) strtotime('2026-11-20T12:00:00Z');
        $state = static fn (SideHistory $history): SideState => SideState::of($history, null, [], 'P1', $now);
        $new = $state(new SideHistory(0, 0));
        self::assertSame([0, null, 0, false, 0, 0], [$new->printsOnCoat, $new->daysStanding, $new->printsSinceWash, $new->scuffed, $new->damages, $new->changesSince]);
        $used = $state(new SideHistory(41, 7, 3, washedAt: '2026-11-01T12:00:00Z', coatedAt: '2026-11-02T12:00:00Z', scuffedAt: '2026-10-01T12:00:00Z', damages: 2, lastPrintAt: '2026-11-18T12:00:00Z'));
        self::assertEqualsWithDelta(2.0, $used->daysStanding ?? -1, 1e-9, 'Last touched two days ago.');
        self::assertSame([3, 7, true, 41, 2], [$used->printsOnCoat, $used->printsSinceWash, $used->scuffed, $used->printsOnSurface, $used->damages]);
    }

    /** The middle of what the material is usually printed at, where nobody said. */
    public function testTheFirstLayerIsAsHotAsIsUsual(): void
    {
        self::assertEqualsWithDelta((195 + 220) / 2, self::job('pla')->firstLayerNozzleC(), 1e-9);
        self::assertEqualsWithDelta(231, self::job('pla', ['nozzleC' => 231.0])->firstLayerNozzleC(), 1e-9);
    }

    public function testALotIsWetOnlyWhereSomebodyKnowsWhenItWasDried(): void
    {
        $nylon = self::catalogue()->material('pa');
        $good = $nylon->drying->goodDays ?? self::fail();
        self::assertNull($nylon->wet(null));
        self::assertNull($nylon->wet($good));
        self::assertNotNull($nylon->wet($good + 1));
        self::assertNull(self::catalogue()->material('resin')->wet(400), 'Nobody dries it.');
    }

    /**
     * @param list<Influence> $influences
     *
     * @return array<string, array{float, float}>
     */
    private static function of(array $influences): array
    {
        $of = [];
        foreach ($influences as $each) {
            $of[$each->id] = [$each->onHold, $each->onRelease];
        }

        return $of;
    }
}
