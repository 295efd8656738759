<?php

declare(strict_types=1);

namespace App\Choose;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ByteSource;

/** The bytes of a file or stream. */
final class FileBytes implements ByteSource
{
    /** By the clock, ns; null: as long as it takes. */
    private ?int $until;

    /** @param resource $stream */
    public function __construct(private $stream, private readonly int $sizeBytes, ?float $withinSeconds = null)
    {
        $this->until = null === $withinSeconds ? null : (int) (hrtime(true) + 1e9 * $withinSeconds);
    }

    public function read(int $bytes): string
    {
        if (null !== $this->until && hrtime(true) > $this->until) {
            throw BadShape::tooLong();
        }
        $read = '';
        // A stream may give less than was asked for before its end.
        while ($bytes > 0 && '' !== ($chunk = (string) fread($this->stream, min($bytes, 1 << 20)))) {
            $read .= $chunk;
            $bytes -= \strlen($chunk);
        }

        return $read;
    }

    public function sizeBytes(): int
    {
        return $this->sizeBytes;
    }
}
