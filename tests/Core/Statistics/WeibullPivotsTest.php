<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Statistics\Internal\WeibullPivots;

/** The tables as a whole: no figure of them can be far from where its neighbours, along both, want it. */
final class WeibullPivotsTest extends TestCase
{
    public function testQuantilesRiseByLevelAndMoveEvenlyByNumber(): void
    {
        foreach ([WeibullPivots::TENTH, WeibullPivots::NINE_TENTHS] as $table) {
            self::assertSame([3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 20, 25, 30, 40, 60, 81], array_keys($table));
            foreach ($table as $row) {
                self::assertCount(\count(WeibullPivots::LEVELS), $row);
                $sorted = $row;
                sort($sorted);
                self::assertSame($sorted, $row);
            }
            // Each is within a tenth of the straight line between its neighbours in 1/n, from 5 on, where the tables are smooth.
            $numbers = array_keys($table);
            for ($i = 3; $i < \count($numbers) - 1; ++$i) {
                [$before, $at, $after] = [$numbers[$i - 1], $numbers[$i], $numbers[$i + 1]];
                $between = (1 / $at - 1 / $before) / (1 / $after - 1 / $before);
                foreach ($table[$at] as $level => $value) {
                    $line = (1 - $between) * $table[$before][$level] + $between * $table[$after][$level];
                    self::assertEqualsWithDelta($line, $value, 0.1 * abs($line), "n = $at, level $level");
                }
            }
        }
    }
}
