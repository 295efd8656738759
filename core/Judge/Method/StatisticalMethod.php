<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Method;

use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Words\Phrase;

/**
 * One way to compare the setups by a continuous measure. Whoever adds one writes a class and registers it; verdicts have
 * bounds of their own and rest on none of these.
 */
interface StatisticalMethod
{
    /** Lower case letters, digits and _. */
    public function key(): string;

    public function words(): Phrase;

    /** @param list<MeasureSummary> $setups all with readings of the measure, in the order in which they are shown */
    public function compare(array $setups): MethodAnswer;
}
