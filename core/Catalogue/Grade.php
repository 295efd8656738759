<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Statistics\ClopperPearson;

/** How practice rates one of the two questions on a pair. */
enum Grade: string
{
    case Strong = 'strong';
    case Fair = 'fair';
    case Poor = 'poor';
    case Never = 'never';

    /** So many own runs in its span confirm it. */
    public const CONFIRMED_BY = 5;

    /** Of prints that go well by it: what practice says of one part and an hour or two. */
    public function share(): float
    {
        return match ($this) {
            self::Strong => 0.95,
            self::Fair => 0.7,
            self::Poor => 0.2,
            self::Never => 0.05,
        };
    }

    public function logOdds(): float
    {
        return log($this->share() / (1 - $this->share()));
    }

    /** So many steps worse, and never worse than the worst. */
    public function lowered(int $steps): self
    {
        $order = [self::Strong, self::Fair, self::Poor, self::Never];
        $at = array_search($this, $order, true);

        return $order[min(3, max(0, (int) $at + $steps))];
    }

    /**
     * What own runs say about this grade: they confirm it once five of them lie in its span, and refute it where even the
     * 90 % Clopper–Pearson interval lies outside. The spans are ours.
     */
    public function standing(int $successes, int $runs): Standing
    {
        if (0 === $runs) {
            return Standing::Untried;
        }
        [$from, $to] = match ($this) {
            self::Strong => [0.8, 1.0],
            self::Fair => [0.5, 0.9],
            self::Poor => [0.1, 0.5],
            self::Never => [0.0, 0.15],
        };
        $interval = ClopperPearson::interval($successes, $runs, 0.9);
        $rate = $successes / $runs;

        return match (true) {
            $interval->high < $from || $interval->low > $to => Standing::Refuted,
            $runs >= self::CONFIRMED_BY && $rate >= $from && $rate <= $to => Standing::Confirmed,
            default => Standing::Open,
        };
    }
}
