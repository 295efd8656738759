<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What the parts of a run take, in minutes; given by the planner, with common-practice defaults in the app. */
final readonly class RunDurations
{
    public function __construct(
        public float $prepareMinutes,
        public float $heatAndSoakMinutes,
        public float $printMinutes,
        public float $coolMinutes,
        public float $inspectAndCleanMinutes,
        public float $plateChangeMinutes,
    ) {
    }

    public function runMinutes(PullKind $pull): float
    {
        return array_sum(array_column($this->phases($pull, false), 'minutes'));
    }

    /** @return list<array{phase: string, minutes: float}> those that take time, in order */
    public function phases(PullKind $pull, bool $plateChange): array
    {
        $phases = [
            ['phase' => 'change', 'minutes' => $plateChange ? $this->plateChangeMinutes : 0.0],
            ['phase' => 'prepare', 'minutes' => $this->prepareMinutes],
            ['phase' => 'heat', 'minutes' => $this->heatAndSoakMinutes],
            ['phase' => 'print', 'minutes' => $this->printMinutes],
            ['phase' => 'cool', 'minutes' => PullKind::Cold === $pull ? $this->coolMinutes : 0.0],
            ['phase' => 'inspect', 'minutes' => $this->inspectAndCleanMinutes],
        ];

        return array_values(array_filter($phases, static fn (array $phase): bool => $phase['minutes'] > 0.0));
    }
}
