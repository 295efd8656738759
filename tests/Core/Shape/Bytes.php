<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use Sitzplatz\Shape\ByteSource;

/** A file in memory. */
final class Bytes implements ByteSource
{
    private int $at = 0;

    public function __construct(private readonly string $bytes)
    {
    }

    public function read(int $bytes): string
    {
        $read = substr($this->bytes, $this->at, $bytes);
        $this->at += \strlen($read);

        return $read;
    }

    public function sizeBytes(): int
    {
        return \strlen($this->bytes);
    }
}
