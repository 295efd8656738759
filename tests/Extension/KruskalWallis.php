<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Judge\Method\MethodAnswer;
use Sitzplatz\Judge\Method\StatisticalMethod;
use Sitzplatz\Statistics\ChiSquared;
use Sitzplatz\Words\OwnText;

/** A statistical method that somebody adds: Kruskal and Wallis (1952), without ties. */
final readonly class KruskalWallis implements StatisticalMethod
{
    public function key(): string
    {
        return 'kruskal_wallis';
    }

    public function words(): OwnText
    {
        return new OwnText('Kruskal–Wallis, by ranks');
    }

    public function compare(array $setups): MethodAnswer
    {
        $all = array_merge(...array_map(static fn (MeasureSummary $each): array => $each->exact, $setups));
        $n = \count($all);
        if (\count($setups) < 2 || $n < 3) {
            return new MethodAnswer(reason: new OwnText('Two setups with readings are needed.'));
        }
        sort($all);
        $h = 0.0;
        foreach ($setups as $setup) {
            $ranks = array_map(static fn (float $value): int => 1 + (int) array_search($value, $all, true), $setup->exact);
            $h += [] === $ranks ? 0.0 : array_sum($ranks) ** 2 / \count($ranks);
        }
        $h = 12 / ($n * ($n + 1)) * $h - 3 * ($n + 1);
        $df = \count($setups) - 1;

        return new MethodAnswer($h, [(float) $df], (new ChiSquared($df))->upperP($h));
    }
}
