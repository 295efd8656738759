<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** How long a comparison takes, and what the second visit to every plate costs. */
final readonly class TimeEstimate
{
    private function __construct(
        public float $totalMinutes,
        public float $plateChangeMinutes,
        /** Extra minutes against a single visit to each plate. */
        public float $secondVisitMinutes,
    ) {
    }

    public static function of(RunOrder $order, RunDurations $durations): self
    {
        $total = $order->plateChanges * $durations->plateChangeMinutes;
        foreach ($order->runs as $run) {
            $total += $durations->runMinutes($run->pull);
        }

        return new self(
            $total,
            $order->plateChanges * $durations->plateChangeMinutes,
            ($order->plateChanges - $order->plateChangesSingleVisit) * $durations->plateChangeMinutes,
        );
    }

    /** In the words of a bench plan. */
    public function secondVisitSentence(RunOrder $order): string
    {
        return \sprintf(
            'Visiting every plate twice takes %d plate changes instead of %d, %d minutes more. '
            .'It is what tells a difference between setups from a difference between two fittings of one plate.',
            $order->plateChanges,
            $order->plateChangesSingleVisit,
            (int) round($this->secondVisitMinutes),
        );
    }
}
