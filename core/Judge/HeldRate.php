<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Test\Measure;

/** How many runs of a setup held to the end of the print. */
final readonly class HeldRate
{
    private function __construct(
        public string $setup,
        public int $held,
        public int $runs,
        public ?Interval $interval,
    ) {
    }

    public static function of(SetupRecord $record): self
    {
        $runs = \count($record->readings(Measure::Held));
        $held = $record->count(Measure::Held, 0.5);

        return new self($record->name, $held, $runs, $runs > 0 ? ClopperPearson::interval($held, $runs) : null);
    }

    public function rate(): ?float
    {
        return $this->runs > 0 ? $this->held / $this->runs : null;
    }
}
