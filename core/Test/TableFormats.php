<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** The tables that are read beside the usual one. */
final readonly class TableFormats
{
    /** @param iterable<TableFormat> $added */
    public function __construct(private iterable $added = [])
    {
    }

    /**
     * @param list<string> $lines
     *
     * @return list<string> of the usual table; what nobody recognises is taken for it
     */
    public function usual(array $lines): array
    {
        foreach ($this->added as $format) {
            if ($format->recognises($lines)) {
                return $format->usual($lines);
            }
        }

        return $lines;
    }
}
