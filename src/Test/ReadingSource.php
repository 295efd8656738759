<?php

declare(strict_types=1);

namespace App\Test;

use Symfony\Component\Uid\Uuid;

/** Where a reading came from, and how it was entered there. */
final readonly class ReadingSource
{
    private function __construct(
        /** typed, gauge or table */
        public string $kind,
        /** Of the reading that is to be written; null: made here. */
        public ?Uuid $key = null,
        public ?float $enteredValue = null,
        public ?string $enteredUnit = null,
        public ?Uuid $gaugeId = null,
        /** By a device of the demo: it proves nothing outside of it. */
        public bool $simulated = false,
    ) {
    }

    public static function typed(?Uuid $key = null, ?float $value = null, ?string $unit = null): self
    {
        return new self('typed', $key, $value, $unit);
    }

    public static function table(): self
    {
        return new self('table');
    }

    public static function gauge(?Uuid $key, ?Uuid $gaugeId, bool $simulated): self
    {
        return new self('gauge', $key, gaugeId: $gaugeId, simulated: $simulated);
    }
}
