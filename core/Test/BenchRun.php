<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A run that waits at a bench: the plate it takes, and what its time goes into. */
final readonly class BenchRun
{
    /** @param list<array{phase: string, minutes: float}> $phases change, prepare, heat, print, cool, inspect */
    public function __construct(public string $id, public string $plateId, public array $phases)
    {
    }

    public function minutes(): float
    {
        return array_sum(array_column($this->phases, 'minutes'));
    }

    /** What somebody has to stand by for: while it heats, prints and cools nobody has to. */
    public function handsMinutes(): float
    {
        return array_sum(array_map(
            static fn (array $phase): float => \in_array($phase['phase'], ['change', 'prepare', 'inspect'], true) ? $phase['minutes'] : 0.0,
            $this->phases,
        ));
    }
}
