<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

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

    /** What it buys, and what it costs. */
    public function secondVisitSentence(RunOrder $order): Sentence
    {
        return Sentence::of(
            'plan.second_visit',
            changes: Quantity::count($order->plateChanges),
            single: Quantity::count($order->plateChangesSingleVisit),
            more: Quantity::minutes($this->secondVisitMinutes),
        );
    }
}
