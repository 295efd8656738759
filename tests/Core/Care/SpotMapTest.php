<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Care;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Care\CleanerFit;
use Sitzplatz\Care\PlacedPrints;
use Sitzplatz\Care\SheetLife;
use Sitzplatz\Care\SpotMap;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\PlateSpot;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;

/** Agent life is counted by spot, corners fail first, parts are spread (common practice; trade notes, section 10). */
final class SpotMapTest extends TestCase
{
    use ReadsTheCatalogue;

    public function testPrintsAreCountedWhereTheyStood(): void
    {
        $map = self::map([self::single(null, 31), self::single(PlateSpot::FrontLeft, 4), PlacedPrints::of(4, null, 2, 0, 250, 210)]);
        self::assertSame([6, 5], [$map->columns, $map->rows], 'As deep as the plate is, to its width.');
        $prints = array_map(static fn ($field): int => $field->prints, $map->fields);
        // The middle of an even number of columns belongs to the field on its right.
        self::assertSame(31, $prints[2 * 6 + 3]);
        self::assertSame(4 + 2, $prints[1 * 6 + 1], 'One of the four stood a quarter in from the front left.');
        self::assertSame(31 + 4 + 4 * 2, array_sum($prints));
    }

    public function testTheNextPartGoesWhereLittleWasPrintedAndNotIntoACorner(): void
    {
        $next = self::map([self::single(null, 20)])->next;
        self::assertNotNull($next);
        self::assertSame(0, $next->prints);
        self::assertLessThan(0.35, hypot($next->x - 0.5, $next->y - 0.5), 'Beside the middle, as corners fail first.');
        $empty = self::map([])->next;
        self::assertEqualsWithDelta([0.5, 0.5], [$empty?->x, $empty?->y], 0.1, 'On a new sheet in the middle.');
    }

    public function testACoatIsUsedUpBySpot(): void
    {
        $used = self::map([PlacedPrints::of(1, null, 20, 7, 250, 210)], lasts: 7);
        self::assertNotEqualsWithDelta($used->fields[2 * 6 + 3]->x, $used->next?->x, 1e-9, 'Used up there, and good beside it.');
        self::assertSame('spot_map.coat_left', $used->why->key);
        $all = self::map([PlacedPrints::of(400, null, 7, 7, 250, 210)], lasts: 7);
        self::assertNull($all->next);
        self::assertSame('spot_map.none_sound', $all->why->key);
    }

    public function testFourPartsAreNotWhereASingleOneStands(): void
    {
        // By hand: five in the middle; three times four, a quarter in from each corner; one in the front left corner, in the same field.
        $listed = PlacedPrints::listed('1,,5;1,2,1;4,,3', 250, 210);
        self::assertSame(5, SpotMap::mostOnCoat($listed, 250, 210));
        self::assertSame(4, SpotMap::mostOnCoat(\array_slice($listed, 1), 250, 210));
        self::assertSame(0, SpotMap::mostOnCoat(PlacedPrints::listed('', 250, 210), 250, 210));
        self::assertSame(5, max([0, ...array_map(static fn ($field): int => $field->onCoat, self::map($listed)->fields)]), 'The map says the same.');
    }

    public function testDamagedAndTornFieldsAreLeftOut(): void
    {
        $middle = ['x' => 0.58, 'y' => 0.5];
        $damaged = self::map([], [['kind' => MarkKind::Damage, 'onCoat' => false] + $middle]);
        self::assertTrue($damaged->fields[2 * 6 + 3]->damaged);
        self::assertNotEqualsWithDelta(0.58, $damaged->next?->x, 0.02);
        $torn = ['kind' => MarkKind::Torn, 'onCoat' => true] + $middle;
        self::assertTrue(self::map([], [$torn], 7)->fields[2 * 6 + 3]->torn);
        self::assertFalse(self::map([], [['onCoat' => false] + $torn], 7)->fields[2 * 6 + 3]->torn, 'The coat was renewed since.');
        self::assertFalse(self::map([], [['kind' => MarkKind::Failed] + $torn], 7)->fields[2 * 6 + 3]->damaged, 'A part that failed harms no plate.');
    }

    public function testARoundPlateHasNoCorners(): void
    {
        $all = array_map(static fn (int $i): PlacedPrints => self::single(PlateSpot::Middle, 9), range(1, 9));
        $next = SpotMap::of($all, [], null, 300, 300, true)->next;
        self::assertLessThan(0.5, hypot(($next->x ?? 1) - 0.5, ($next->y ?? 1) - 0.5));
    }

    public function testHowLongASheetIsGoodForAgreesWithR(): void
    {
        // R: pr <- 1/.55^2 + n/.4^2; m <- (log(400)/.55^2 + sum(log(own))/.4^2)/pr; s <- sqrt(1/pr + .4^2); F <- plnorm(x, m, s);
        // qlnorm(F + c(.1, .5, .9)*(1 - F), m, s) - x
        foreach ([
            [[], 0, [167.321189536, 400.0, 956.244695864]],
            [[], 143, [59.6468766425, 279.8852908997, 838.3290138334]],
            [[], 450, [35.2902233425, 233.1530791165, 834.5242910943]],
            [[260, 310], 0, [166.464578168, 305.006033, 558.849703587]],
            [[260, 310], 143, [43.5302733274, 172.0104096267, 424.275040842]],
            [[260, 310], 450, [16.1203020732, 104.9648720199, 350.8744847880]],
        ] as [$own, $soFar, $left]) {
            $life = SheetLife::of(400, $own, $soFar);
            self::assertEqualsWithDelta($left, [$life->low, $life->middle, $life->high], 1e-4);
        }
        self::assertSame(['sheet_life.practice', 'sheet_life.with_own'], [SheetLife::of(400, [0], 3)->sentence()->key, SheetLife::of(400, [260], 3)->sentence()->key]);
        // A wipe with alcohol takes a fifth of a print (ours): 143 prints and 60 wipes are as 155 prints.
        self::assertEqualsWithDelta(SheetLife::of(400, [], 155)->middle, SheetLife::of(400, [], 143, 60)->middle, 1e-9);
        // By hand: 143 prints in 5 months are 28.6 a month.
        self::assertEqualsWithDelta([59.6468766425 / 28.6, 838.3290138334 / 28.6], SheetLife::of(400, [], 143)->months(143, 5.0), 1e-4);
        self::assertNull(SheetLife::of(400, [], 3)->months(3, 0.2), 'A week says nothing of a month.');
        self::assertGreaterThanOrEqual(0.0, SheetLife::of(30, [], 100_000)->low, 'Far past its life nothing breaks.');
    }

    public function testAlcoholIsNoWipeOverACoatThatItTakesOff(): void
    {
        self::assertNull(CleanerFit::refusesWipe(null));
        self::assertSame('care.wipe_takes_coat', CleanerFit::refusesWipe(self::catalogue()->agent('pva_stick'))?->key);
        // The wiped film resists alcohol and acetone (trade notes, section 4).
        self::assertNull(CleanerFit::refusesWipe(self::catalogue()->agent('wiped_film')));
    }

    private static function single(?PlateSpot $spot, int $times): PlacedPrints
    {
        return PlacedPrints::of(1, $spot, $times, 0, 250, 210);
    }

    /**
     * @param list<PlacedPrints>                                            $prints
     * @param list<array{kind: MarkKind, x: float, y: float, onCoat: bool}> $marks
     */
    private static function map(array $prints, array $marks = [], ?int $lasts = null): SpotMap
    {
        return SpotMap::of($prints, $marks, $lasts, 250, 210);
    }
}
