<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** A further way in which a part may come: one class, registered, and nothing else. */
interface PartFormat extends FormatName
{
    /**
     * Whether a file is of this format, by its first bytes and not by its name; strict, as it is asked before the rest.
     *
     * @param string $head the first {@see ShapeFile::HEAD} bytes, or all of a shorter file
     */
    public function recognises(string $head, int $sizeBytes): bool;

    /**
     * @param string     $head what was read of the file already
     * @param ByteSource $rest what follows it
     *
     * @throws BadShape
     */
    public function read(string $head, ByteSource $rest): PartShape;
}
