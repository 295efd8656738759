<?php

declare(strict_types=1);

namespace App\Device;

use Sitzplatz\Test\TemperatureSample;

/** A thermometer on a plate that is watched while it cools. */
interface PlateThermometer
{
    /**
     * What it has shown since it was asked last; waits for nothing.
     *
     * @return list<TemperatureSample>
     *
     * @throws InstrumentUnreachable if it fell silent
     */
    public function samplesSoFar(): array;
}
