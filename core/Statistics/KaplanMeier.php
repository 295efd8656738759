<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * The share that is still there beyond each value, where some are known only to lie beyond what was measured (Kaplan & Meier
 * 1958). What was given up at a value counts as there when something happens at it.
 */
final readonly class KaplanMeier
{
    /** Shares this near are the same. */
    private const NEAR = 1e-9;

    /** @param list<array{float, float}> $steps value and the share that lies beyond it, where it falls */
    private function __construct(public int $n, public int $events, public array $steps)
    {
    }

    /**
     * @param list<float> $exact
     * @param list<float> $atLeast
     *
     * @throws InvalidArgument if there is none
     */
    public static function of(array $exact, array $atLeast): self
    {
        $n = \count($exact) + \count($atLeast);
        if (0 === $n) {
            throw InvalidArgument::tooFew(0, 1);
        }
        sort($exact);
        sort($atLeast);
        $steps = [];
        $share = 1.0;
        $gone = $givenUp = 0;
        for ($i = 0; $i < \count($exact); $i += $here) {
            $here = 1;
            while ($i + $here < \count($exact) && $exact[$i + $here] <= $exact[$i]) {
                ++$here;
            }
            while ($givenUp < \count($atLeast) && $atLeast[$givenUp] < $exact[$i]) {
                ++$givenUp;
            }
            $share *= 1 - $here / ($n - $gone - $givenUp);
            $gone += $here;
            $steps[] = [$exact[$i], $share];
        }

        return new self($n, \count($exact), $steps);
    }

    /** The value that half lie beyond: where the share falls below a half; the middle where it stays on it. Null: it does not fall so far. */
    public function median(): ?float
    {
        foreach ($this->steps as $i => [$value, $share]) {
            if ($share < 0.5 + self::NEAR) {
                return abs($share - 0.5) > self::NEAR ? $value : ($value + ($this->steps[$i + 1][0] ?? $value)) / 2;
            }
        }

        return null;
    }
}
