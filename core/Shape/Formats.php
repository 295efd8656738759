<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** The formats that were added to those that are always read. */
final readonly class Formats
{
    /** @param iterable<PartFormat> $added */
    public function __construct(private iterable $added = [])
    {
    }

    public function of(string $head, int $sizeBytes): ?PartFormat
    {
        foreach ($this->added as $format) {
            if ($format->recognises($head, $sizeBytes)) {
                return $format;
            }
        }

        return null;
    }
}
