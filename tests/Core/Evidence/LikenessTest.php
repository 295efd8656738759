<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Evidence;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Evidence\Conditions;
use Sitzplatz\Evidence\Likeness;
use Sitzplatz\Tests\Core\Words\Said;

/** That a run which is merely like a proposal counts for less is the power prior (Ibrahim & Chen 2000); the shares are ours. */
final class LikenessTest extends TestCase
{
    /** @return iterable<string, array{Likeness, float, string}> what it counts for, and what it is said to be unlike in */
    public static function unlike(): iterable
    {
        yield 'the same' => [Likeness::of(), 1.0, 'likeness.same'];
        yield 'side' => [Likeness::of(sameSide: false), 0.4, 'likeness.unlike differences=[likeness.side]'];
        yield 'lot' => [Likeness::of(sameLot: false), 0.6, 'likeness.unlike differences=[likeness.lot]'];
        yield 'air is told, and not the printer with it' => [Likeness::of(samePrinter: false, likeAir: false), 0.5, 'likeness.unlike differences=[likeness.air]'];
        yield 'printer' => [Likeness::of(samePrinter: false), 0.8, 'likeness.unlike differences=[likeness.printer]'];
        yield 'what changed about another printer says nothing' => [Likeness::of(samePrinter: false, changedSince: true), 0.8, 'likeness.unlike differences=[likeness.printer]'];
        yield 'changed' => [Likeness::of(changedSince: true), 0.5, 'likeness.unlike differences=[likeness.changed]'];
        yield 'bed after' => [Likeness::of(sameBedAfter: false), 0.3, 'likeness.unlike differences=[likeness.bed_after]'];
        yield 'nozzle and gap' => [Likeness::of(sameNozzle: false, sameGap: false), 0.42, 'likeness.unlike differences=[likeness.nozzle; likeness.gap]'];
        yield 'for use' => [Likeness::of(forUse: true), 0.5, 'likeness.use_same'];
        yield 'for use with another lot' => [Likeness::of(sameLot: false, forUse: true), 0.3, 'likeness.use_unlike differences=[likeness.lot]'];
    }

    #[DataProvider('unlike')]
    public function testEachDifferenceTakesItsShareAndIsSaid(Likeness $likeness, float $weight, string $said): void
    {
        self::assertEqualsWithDelta($weight, $likeness->weight(), 1e-12);
        self::assertSame($said, Said::of($likeness->words()));
        self::assertSame(1.0 === $weight, $likeness->same());
    }

    public function testWhatIsAlikeHasOneKeyAndWhatIsNotHasAnother(): void
    {
        $keys = [];
        foreach (self::unlike() as [$likeness]) {
            $keys[Said::of($likeness->words())][] = $likeness->key();
        }
        foreach ($keys as $words => $of) {
            self::assertCount(1, array_unique($of), $words);
        }
        self::assertCount(\count($keys), array_unique(array_merge(...array_values($keys))));
    }

    public function testOnAnotherSideItIsUnlikeOnceHoweverOftenThatIsSaid(): void
    {
        $elsewhere = Likeness::of(sameLot: false)->onAnotherSide();
        self::assertEqualsWithDelta(0.24, $elsewhere->weight(), 1e-12);
        self::assertSame($elsewhere->key(), $elsewhere->onAnotherSide()->key());
        self::assertSame($elsewhere->key(), Likeness::of(sameSide: false, sameLot: false)->key(), 'Whichever was said first.');
        self::assertEqualsWithDelta(0.3, Likeness::of()->withAnotherBedAfter()->weight(), 1e-12);
    }

    public function testABedIsTheSameToTheTenthThatAnybodySets(): void
    {
        self::assertTrue(Conditions::sameBed(60.0, 60.04));
        self::assertFalse(Conditions::sameBed(60.0, 60.1));
        self::assertTrue(Conditions::sameBed(null, null), 'Both unheated.');
        self::assertFalse(Conditions::sameBed(null, 20.0), 'Unheated is no temperature.');
        self::assertTrue(Conditions::sameExposure(32.0, 32.04));
        self::assertFalse(Conditions::sameExposure(32.0, 32.5));
    }
}
