<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\LimitRange;

/** Common practice: what lifts sets the least that a seat has to hold, what stays flat shows what is enough. */
final class LimitRangeTest extends TestCase
{
    public function testTheLimitLiesBetweenWhatLiftedAndWhatStayedFlat(): void
    {
        $range = LimitRange::among([
            self::pulled(8.2, lifted: 4),
            self::pulled(14.6, lifted: 1),
            self::pulled(22.3, lifted: 0),
            self::pulled(41.0, lifted: 0),
            self::pulled(11.0, lifted: 0, held: 5),
        ]);
        self::assertEqualsWithDelta([14.6, 23.0], [$range?->liftedUpToN, $range?->flatFromN], 1e-9);
        self::assertSame([3, 2], [$range?->lifted, $range?->flat]);
    }

    public function testPullsThatDoNotPartThemSetNoLimit(): void
    {
        self::assertNull(LimitRange::among([self::pulled(25.0, lifted: 2), self::pulled(22.3, lifted: 0)]));
        self::assertNull(LimitRange::among([self::pulled(8.0, lifted: 2)]), 'Nothing stayed flat.');
        self::assertNull(LimitRange::among([self::pulled(40.0, lifted: 0)]), 'Nothing lifted.');
    }

    public function testTooFewReadingsSayNothing(): void
    {
        $weak = self::pulled(8.0, lifted: 2);
        self::assertNull(LimitRange::among([$weak, self::pulled(22.3, lifted: 0, lifts: 5)]), 'Five that stayed flat.');
        self::assertNull(LimitRange::among([$weak, ['pulls' => 2] + self::pulled(22.3, lifted: 0)]));
        self::assertNull(LimitRange::among([['lifts' => 2] + $weak, self::pulled(22.3, lifted: 0)]));
        self::assertNotNull(LimitRange::among([$weak, self::pulled(22.3, lifted: 0)]));
    }

    /** @return array{runs: int, held: int, pulls: int, mean: float, lifts: int, lifted: int} */
    private static function pulled(float $mean, int $lifted, int $held = 6, int $lifts = 6): array
    {
        return ['runs' => 6, 'held' => $held, 'pulls' => 3, 'mean' => $mean, 'lifts' => $lifts, 'lifted' => $lifted];
    }
}
