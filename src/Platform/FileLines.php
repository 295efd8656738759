<?php

declare(strict_types=1);

namespace App\Platform;

/** The lines of a file that somebody named, one after the other. */
final class FileLines
{
    /** @return iterable<string>|null null: it cannot be read */
    public static function of(mixed $name): ?iterable
    {
        return \is_string($name) && is_file($name) && is_readable($name) ? self::each(new \SplFileObject($name)) : null;
    }

    /** @return iterable<string> */
    private static function each(\SplFileObject $file): iterable
    {
        while (!$file->eof()) {
            yield $file->fgets();
        }
    }
}
