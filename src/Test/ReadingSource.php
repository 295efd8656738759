<?php

declare(strict_types=1);

namespace App\Test;

use Sitzplatz\Test\Reading;
use Symfony\Component\Uid\Uuid;

/** Where a reading came from, and how it was entered there. */
final readonly class ReadingSource
{
    private function __construct(
        /** typed, gauge, thermometer or table */
        public string $kind,
        /** Of the reading that is to be written; null: made here. */
        public ?Uuid $key = null,
        public ?float $enteredValue = null,
        public ?string $enteredUnit = null,
        public ?Uuid $gaugeId = null,
        /** By a device of the demo: it proves nothing outside of it. */
        public bool $simulated = false,
        /** @var \WeakMap<Reading, array{value: float, unit: string}>|null what was written in a table, by reading */
        public ?\WeakMap $written = null,
        public ?Uuid $thermometerId = null,
    ) {
    }

    public static function typed(?Uuid $key = null, ?float $value = null, ?string $unit = null): self
    {
        return new self('typed', $key, $value, $unit);
    }

    /** @param \WeakMap<Reading, array{value: float, unit: string}>|null $written what was written of each reading; null: as it is stored */
    public static function table(?\WeakMap $written = null): self
    {
        return new self('table', written: $written);
    }

    public static function gauge(?Uuid $key, ?Uuid $gaugeId, bool $simulated): self
    {
        return new self('gauge', $key, gaugeId: $gaugeId, simulated: $simulated);
    }

    public static function thermometer(Uuid $key, Uuid $thermometerId, bool $simulated): self
    {
        return new self('thermometer', $key, simulated: $simulated, thermometerId: $thermometerId);
    }
}
