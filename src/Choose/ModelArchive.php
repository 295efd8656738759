<?php

declare(strict_types=1);

namespace App\Choose;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ByteSource;

/** A 3MF file is a ZIP archive: finds the model in it and opens it as a stream, after a look at what it claims to hold. */
final class ModelArchive implements ByteSource
{
    private const MOST_ENTRIES = 2000;
    private const MOST_BYTES = 400 << 20;
    /** XML of a mesh packs to about a tenth; what packs far better is made to burst. */
    private const MOST_RATIO = 200;
    private const RELATIONS = '_rels/.rels';

    private int $read = 0;

    /** @param resource $stream which ends with the archive it is from */
    private function __construct(private readonly \ZipArchive $zip, private $stream, private readonly int $sizeBytes, private readonly Deadline $deadline)
    {
    }

    public function __destruct()
    {
        fclose($this->stream);
        $this->zip->close();
    }

    /** @throws BadShape */
    public static function open(string $path, Deadline $deadline): self
    {
        $zip = new \ZipArchive();
        if (true !== $zip->open($path, \ZipArchive::RDONLY)) {
            throw BadShape::badArchive('broken');
        }
        if ($zip->count() > self::MOST_ENTRIES) {
            throw BadShape::badArchive('too_many_files');
        }
        $entry = self::modelIn($zip);
        $told = $zip->statName($entry);
        if (false === $told) {
            throw BadShape::badArchive('no_model');
        }
        if ($told['size'] > self::MOST_BYTES || $told['size'] > self::MOST_RATIO * max(1024, $told['comp_size'])) {
            throw BadShape::badArchive('too_large');
        }
        $stream = $zip->getStream($entry);
        if (false === $stream) {
            throw BadShape::badArchive('encrypted');
        }

        return new self($zip, $stream, $told['size'], $deadline);
    }

    public function read(int $bytes): string
    {
        $this->deadline->check();
        $chunk = (string) fread($this->stream, max(1, $bytes));
        $this->read += \strlen($chunk);
        // What an archive says of itself need not be true.
        if ($this->read > $this->sizeBytes || $this->read > self::MOST_BYTES) {
            throw BadShape::badArchive('larger_than_said');
        }

        return $chunk;
    }

    public function sizeBytes(): int
    {
        return $this->sizeBytes;
    }

    private static function modelIn(\ZipArchive $zip): string
    {
        $relations = (string) $zip->getFromName(self::RELATIONS, 1 << 16);
        if (1 === preg_match(
            '~<Relationship\b[^>]*Type="[^"]*/3dmodel"[^>]*>~i',
            $relations,
            $element,
        ) && 1 === preg_match('~Target="/?([^"]+)"~i', $element[0], $target)) {
            return $target[1];
        }

        return '3D/3dmodel.model';
    }
}
