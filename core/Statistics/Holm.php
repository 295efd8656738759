<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/** Several p values taken together, so that the chance of one false alarm among them stays what it is for one (Holm 1979). */
final readonly class Holm
{
    /**
     * @param list<float> $p
     *
     * @return list<float> adjusted, in the same order
     */
    public static function adjusted(array $p): array
    {
        $order = array_keys($p);
        usort($order, static fn (int $a, int $b): int => $p[$a] <=> $p[$b]);
        $adjusted = array_fill(0, \count($p), 1.0);
        $most = 0.0;
        foreach ($order as $place => $i) {
            $most = max($most, min(1.0, (\count($p) - $place) * $p[$i]));
            $adjusted[$i] = $most;
        }

        return array_values($adjusted);
    }
}
