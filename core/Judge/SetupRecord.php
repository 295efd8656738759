<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Measure;
use Sitzplatz\Test\Reading;

/** All readings of one setup, run by run, voids left out. */
final readonly class SetupRecord
{
    /** @param list<list<Reading>> $runs the readings of each non-void run */
    public function __construct(public string $name, public array $runs)
    {
    }

    /** @return list<Reading> */
    public function readings(Measure $measure): array
    {
        $found = [];
        foreach ($this->runs as $run) {
            foreach ($run as $reading) {
                if ($reading->measure === $measure) {
                    $found[] = $reading;
                }
            }
        }

        return $found;
    }

    /** How many readings of a yes-or-no measure (or of effort above a limit) count against the setup. */
    public function count(Measure $measure, float $above): int
    {
        return \count(array_filter(
            $this->readings($measure),
            static fn (Reading $reading): bool => $reading->value > $above,
        ));
    }
}
