<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Shape\Internal\GcodeFile;
use Sitzplatz\Shape\Internal\StlFile;

/** Finds out what a file is, by its content and not by its name, and reads it. */
final class ShapeFile
{
    public const HEAD = 2048;

    /**
     * @param \Closure(): ByteSource $openModel opens the model inside if the file is an archive
     *
     * @throws BadShape
     */
    public static function read(ByteSource $file, \Closure $openModel, Formats $formats = new Formats()): PartShape
    {
        $head = $file->read(84);
        if ('' === $head) {
            throw BadShape::empty();
        }
        if (str_starts_with($head, "PK\x03\x04")) {
            return ModelXml::read($openModel());
        }
        if (StlFile::looksBinary($head, $file->sizeBytes())) {
            return StlFile::readBinary($head, $file);
        }
        $head .= $file->read(self::HEAD);
        $added = $formats->of($head, $file->sizeBytes());
        if (null !== $added) {
            return $added->read($head, $file);
        }
        if (str_contains($head, "\0")) {
            throw BadShape::unknownFormat();
        }
        if (1 === preg_match('/^\s*solid\b/i', $head)) {
            return StlFile::readText($head, $file);
        }
        if (1 === preg_match('/^\s*(N\d+\s*)?[GMT]\d+/mi', $head) || 1 === preg_match('/^\s*;/', $head)) {
            return GcodeFile::read($head, $file);
        }
        throw BadShape::unknownFormat();
    }
}
