<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** A day of the calendar, ISO 8601. */
final readonly class Day implements Phrase
{
    public function __construct(public string $iso)
    {
    }

    public function toArray(): array
    {
        return ['day' => $this->iso];
    }
}
