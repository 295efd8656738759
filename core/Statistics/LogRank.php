<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * Whether groups with values that are known only from below differ (Mantel 1966; Peto & Peto 1972): at each value the events of
 * each group against its share of those still there.
 */
final readonly class LogRank
{
    private function __construct(public float $statistic, public int $df, public float $p)
    {
    }

    /**
     * @param list<array{list<float>, list<float>}> $groups exact values and lower bounds of each
     *
     * @throws InvalidArgument if there are fewer than two groups, or nothing happens while two of them are there
     */
    public static function of(array $groups): self
    {
        $k = \count($groups);
        if ($k < 2) {
            throw InvalidArgument::tooFew($k, 2);
        }
        $events = $all = [];
        foreach ($groups as $g => [$exact, $atLeast]) {
            foreach ($exact as $value) {
                $events[(string) $value][$g] = ($events[(string) $value][$g] ?? 0) + 1;
                $all[] = [$value, $g];
            }
            foreach ($atLeast as $value) {
                $all[] = [$value, $g];
            }
        }
        uksort($events, static fn (int|string $a, int|string $b): int => (float) $a <=> (float) $b);
        usort($all, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $there = array_fill(0, $k, 0);
        foreach ($all as [, $g]) {
            ++$there[$g];
        }
        $excess = array_fill(0, $k, 0.0);
        $variance = array_fill(0, $k, array_fill(0, $k, 0.0));
        $at = 0;
        foreach ($events as $value => $byGroup) {
            for (; $at < \count($all) && $all[$at][0] < (float) $value; ++$at) {
                --$there[$all[$at][1]];
            }
            $n = array_sum($there);
            $d = array_sum($byGroup);
            for ($g = 0; $g < $k; ++$g) {
                $share = $there[$g] / $n;
                $excess[$g] += ($byGroup[$g] ?? 0) - $d * $share;
                for ($h = 0; $h < $k; ++$h) {
                    $variance[$g][$h] += $n < 2 ? 0.0 : $d * ($n - $d) / ($n - 1) * $share * (($g === $h ? 1 : 0) - $there[$h] / $n);
                }
            }
        }
        // A group that nothing happened near has no say of its own.
        $with = array_values(array_filter(range(0, $k - 1), static fn (int $g): bool => $variance[$g][$g] > 1e-12));
        if (\count($with) < 2) {
            throw InvalidArgument::noSpread(\count($all));
        }
        array_pop($with);
        $statistic = self::quadratic(
            array_map(static fn (int $g): float => $excess[$g], $with),
            array_map(static fn (int $g): array => array_map(static fn (int $h): float => $variance[$g][$h], $with), $with),
        );

        return new self($statistic, \count($with), (new ChiSquared(\count($with)))->upperP($statistic));
    }

    /**
     * xᵀ·V⁻¹·x by elimination with the largest pivot.
     *
     * @param list<float>       $x
     * @param list<list<float>> $v
     */
    private static function quadratic(array $x, array $v): float
    {
        $n = \count($x);
        $solved = $x;
        for ($i = 0; $i < $n; ++$i) {
            $pivot = $i;
            for ($r = $i + 1; $r < $n; ++$r) {
                $pivot = abs($v[$r][$i]) > abs($v[$pivot][$i]) ? $r : $pivot;
            }
            [$v[$i], $v[$pivot]] = [$v[$pivot], $v[$i]];
            [$solved[$i], $solved[$pivot]] = [$solved[$pivot], $solved[$i]];
            for ($r = $i + 1; $r < $n; ++$r) {
                $factor = $v[$r][$i] / $v[$i][$i];
                for ($c = $i; $c < $n; ++$c) {
                    $v[$r][$c] -= $factor * $v[$i][$c];
                }
                $solved[$r] -= $factor * $solved[$i];
            }
        }
        $sum = 0.0;
        for ($i = $n - 1; $i >= 0; --$i) {
            for ($c = $i + 1; $c < $n; ++$c) {
                $solved[$i] -= $v[$i][$c] * $solved[$c];
            }
            $solved[$i] /= $v[$i][$i];
            $sum += $x[$i] * $solved[$i];
        }

        return $sum;
    }
}
