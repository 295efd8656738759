<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Extension;

use Sitzplatz\Test\TableFormat;
use Sitzplatz\Words\OwnText;

/** A table that somebody adds: "slip", then setup; run; newtons of a hot pull. */
final readonly class GaugeSlip implements TableFormat
{
    public function key(): string
    {
        return 'gauge_slip';
    }

    public function words(): OwnText
    {
        return new OwnText('slip of a gauge');
    }

    public function recognises(array $lines): bool
    {
        return 'slip' === ($lines[0] ?? '');
    }

    public function usual(array $lines): array
    {
        $usual = ['setup,run,measure,value,unit,status'];
        foreach (\array_slice($lines, 1) as $line) {
            [$setup, $run, $newtons] = [...explode(';', $line), '', ''];
            $usual[] = '' === $line ? '' : "$setup,$run,pull_hot,$newtons,N,exact";
        }

        return $usual;
    }
}
