<?php

declare(strict_types=1);

namespace App\Demo;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** What is drawn for the demo: with the same seed the same. */
final readonly class Draws
{
    /** So finely chances are drawn. */
    private const FINE = 2 ** 30;

    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** From nought on, and less than one. */
    public function chance(): float
    {
        return $this->random->getInt(0, self::FINE) / (self::FINE + 1);
    }

    /** Either end may come up. */
    public function between(int|float $low, int|float $high): int
    {
        return $this->random->getInt((int) $low, (int) $high);
    }

    /** Of mean nought and spread one, by Box and Muller. */
    public function normal(): float
    {
        return sqrt(-2 * log(1 - $this->chance())) * cos(2 * \M_PI * $this->chance());
    }
}
