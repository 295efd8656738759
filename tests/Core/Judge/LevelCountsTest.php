<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Judge;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Judge\LevelCounts;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;

final class LevelCountsTest extends TestCase
{
    public function testWhatIsNoLevelOfTheMeasureIsNotCountedAsItsNearest(): void
    {
        $runs = array_map(static fn (float $value): array => [new Reading(Measure::Damage, $value)], [0.0, 1.0, 1.0, 3.0]);
        $counts = LevelCounts::of(new SetupRecord('A', $runs), Measure::Damage);
        self::assertSame([1, 2], $counts->counts);
        self::assertSame(3, $counts->n);
        // R: binom.test(2, 3)$conf.int
        self::assertEqualsWithDelta([0.0942993, 0.9915962], [$counts->rate?->low, $counts->rate?->high], 1e-6);
    }
}
