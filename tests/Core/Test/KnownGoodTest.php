<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\KnownGood;

/** A limit from setups that are known to be good: once a part stays down, extra grip only costs (trade notes, section 1). */
final class KnownGoodTest extends TestCase
{
    public function testTheWeakestThatAlwaysHeldSetsTheLimit(): void
    {
        $good = KnownGood::among([self::known('strong', 44.4), self::known('enough', 30.8), self::known('let one go', 9.0, held: 11)]);
        self::assertNotNull($good);
        self::assertSame(['enough', 31.0, 12], [$good->setupId, $good->limitN, $good->runs]);
    }

    public function testWhatIsNotKnownWellEnoughSetsNone(): void
    {
        self::assertNull(KnownGood::among([]));
        self::assertNull(KnownGood::among([self::known('a', 30, runs: 5, held: 5)]), 'Too few runs.');
        self::assertNull(KnownGood::among([self::known('a', 30, pulls: 5)]), 'Too few pulls.');
        self::assertNull(KnownGood::among([self::known('a', 30, held: 11)]), 'One let go.');
        self::assertNull(KnownGood::among([self::known('a', 0)]), 'Parts that lay loose set no limit.');
    }

    /** @return array{setup: string, runs: int, held: int, pulls: int, mean: float} */
    private static function known(string $name, float $mean, int $runs = 12, int $held = 12, int $pulls = 6): array
    {
        return ['setup' => $name, 'runs' => $runs, 'held' => $held, 'pulls' => $pulls, 'mean' => $mean];
    }
}
