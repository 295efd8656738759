<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Shape;

use Sitzplatz\Shape\ByteSource;

/** A file in memory. */
final class Bytes implements ByteSource
{
    private int $at = 0;

    /** @param int|null $most at a time, as a slow archive gives them; null: as asked */
    public function __construct(private readonly string $bytes, private readonly ?int $most = null)
    {
    }

    public function read(int $bytes): string
    {
        $read = substr($this->bytes, $this->at, min($bytes, $this->most ?? $bytes));
        $this->at += \strlen($read);

        return $read;
    }

    public function sizeBytes(): int
    {
        return \strlen($this->bytes);
    }
}
