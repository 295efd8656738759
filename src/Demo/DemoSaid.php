<?php

declare(strict_types=1);

namespace App\Demo;

/** Chances of the prints of the demo's year as they were said when each began, and what running shares of each setup would have said. */
final readonly class DemoSaid
{
    /**
     * @param array<int, int> $of      of a print, its place among the chances; of a print of which nothing was said none
     * @param list<float>     $chances
     * @param list<float>     $running
     */
    public function __construct(public array $of, public array $chances, public array $running)
    {
    }

    public function of(int $print): ?float
    {
        return isset($this->of[$print]) ? $this->chances[$this->of[$print]] : null;
    }
}
