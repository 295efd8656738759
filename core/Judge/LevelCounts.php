<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Test\Measured;
use Sitzplatz\Test\MeasureScale;

/** How often a setup showed each level of a measure that has no mean; of one that is yes or no also the rate of yes. */
final readonly class LevelCounts
{
    /** @param list<int> $counts by level, from 0 */
    private function __construct(public string $setup, public Measured $measure, public int $n, public array $counts, public ?Interval $rate)
    {
    }

    public static function of(SetupRecord $record, Measured $measure): self
    {
        $levels = MeasureScale::YesNo === $measure->scale() ? 2 : \count($measure->levels());
        $counts = array_fill(0, max(1, $levels), 0);
        $n = 0;
        foreach ($record->readings($measure) as $reading) {
            $level = (int) $reading->value;
            // What an earlier version of a measure knew, and this one does not, is no level of it.
            if (isset($counts[$level])) {
                ++$n;
                ++$counts[$level];
            }
        }

        return new self(
            $record->name,
            $measure,
            $n,
            array_values($counts),
            MeasureScale::YesNo === $measure->scale() && $n > 0 ? ClopperPearson::interval($counts[1] ?? 0, $n) : null,
        );
    }
}
