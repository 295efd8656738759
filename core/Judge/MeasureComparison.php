<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Judge\Method\MethodAnswer;
use Sitzplatz\Judge\Method\Methods;
use Sitzplatz\Judge\Method\StatisticalMethod;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Measured;

/** One continuous measure across the setups, by every method there is. */
final readonly class MeasureComparison
{
    /**
     * @param list<MeasureSummary>        $setups
     * @param array<string, MethodAnswer> $answers by key of the method
     */
    private function __construct(public Measured $measure, public array $setups, public array $answers)
    {
    }

    /**
     * @param list<SetupRecord> $records in the order in which they are shown; those without a reading are left out
     */
    public static function of(array $records, Measured $measure, LiftBy $liftBy = LiftBy::MeanOfEnds, Methods $methods = new Methods()): self
    {
        $summaries = [];
        foreach ($records as $record) {
            $summary = MeasureSummary::of($record, $measure, $liftBy);
            if ($summary->n > 0) {
                $summaries[] = $summary;
            }
        }

        return new self($measure, $summaries, array_map(static fn (StatisticalMethod $method): MethodAnswer => $method->compare($summaries), $methods->byKey));
    }
}
