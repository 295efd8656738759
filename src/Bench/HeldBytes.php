<?php

declare(strict_types=1);

namespace App\Bench;

use Sitzplatz\Shape\ByteSource;

/** A file that is held in memory. */
final class HeldBytes implements ByteSource
{
    private int $at = 0;

    public function __construct(private readonly string $bytes)
    {
    }

    public function read(int $bytes): string
    {
        $chunk = substr($this->bytes, $this->at, $bytes);
        $this->at += \strlen($chunk);

        return $chunk;
    }

    public function sizeBytes(): int
    {
        return \strlen($this->bytes);
    }
}
