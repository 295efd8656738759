<?php

declare(strict_types=1);

namespace App\Choose;

use Sitzplatz\Shape\ByteSource;

/** The bytes of a file or stream. */
final class FileBytes implements ByteSource
{
    /** @param resource $stream */
    public function __construct(private $stream, private readonly int $sizeBytes, private readonly Deadline $deadline)
    {
    }

    public function read(int $bytes): string
    {
        $this->deadline->check();
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
