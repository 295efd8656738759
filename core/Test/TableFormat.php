<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Phrase;

/**
 * A further way in which readings come on paper: one class, registered, and nothing else. It makes of each line one of the
 * usual table (setup,run,measure,value,unit,status), so that faults are still told by line.
 */
interface TableFormat
{
    public function key(): string;

    public function words(): Phrase;

    /** @param list<string> $lines */
    public function recognises(array $lines): bool;

    /**
     * @param list<string> $lines
     *
     * @return list<string> as many lines, the header of the usual table first
     */
    public function usual(array $lines): array;
}
