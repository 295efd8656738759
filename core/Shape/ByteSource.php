<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** Where the bytes of a file come from; read once, from front to back. */
interface ByteSource
{
    /** At most so many bytes; fewer only at the end, and "" when there are no more. */
    public function read(int $bytes): string;

    /** Length of the whole, in bytes. */
    public function sizeBytes(): int;
}
