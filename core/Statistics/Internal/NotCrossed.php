<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics\Internal;

/**
 * The chance that a path of t statistics crossed no bound before, by where it is now: a table over ω = asin(T/√k) with
 * nodes that crowd towards its ends, where t is large, and 0 beyond them.
 */
final readonly class NotCrossed
{
    private const NODES = 96;

    /** @param list<float> $values at the nodes */
    public function __construct(private float $from, public float $to, private array $values)
    {
    }

    public static function always(): self
    {
        return new self(-\M_PI_2, \M_PI_2, array_fill(0, self::NODES + 1, 1.0));
    }

    /** @return list<float> */
    public static function nodes(float $from, float $to): array
    {
        $nodes = [];
        for ($i = 0; $i <= self::NODES; ++$i) {
            $nodes[] = 0.5 * ($from + $to + ($to - $from) * sin(\M_PI * ($i / self::NODES - 0.5)));
        }

        return $nodes;
    }

    public function mirrored(): self
    {
        return new self(-$this->to, -$this->from, array_reverse($this->values));
    }

    /** At ω = asin of the given sine, by a cubic through four nodes. */
    public function at(float $sine): float
    {
        $at = (2 * asin(max(-1.0, min(1.0, $sine))) - $this->from - $this->to) / ($this->to - $this->from);
        if ($at <= -1 || $at >= 1) {
            return abs($at) > 1 + 1e-9 ? 0.0 : $this->values[$at < 0 ? 0 : self::NODES];
        }
        $x = (asin($at) / \M_PI + 0.5) * self::NODES;
        $i = min(self::NODES - 2, max(1, (int) $x));
        $u = $x - $i;
        [$a, $b, $c, $d] = [$this->values[$i - 1], $this->values[$i], $this->values[$i + 1], $this->values[$i + 2]];

        return $b + $u * ($c - $a + $u * (2 * $a - 5 * $b + 4 * $c - $d + $u * (3 * ($b - $c) + $d - $a))) / 2;
    }
}
