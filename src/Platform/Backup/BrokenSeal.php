<?php

declare(strict_types=1);

namespace App\Platform\Backup;

/** What was sealed cannot be opened: by this key, or because it is not whole any more. */
final class BrokenSeal extends \RuntimeException
{
    public static function noSeal(): self
    {
        return new self('No key of this app has proven this.');
    }

    public static function wrongKeyOrChanged(): self
    {
        return new self('The key does not fit, or the file was changed.');
    }

    public static function cutOff(): self
    {
        return new self('The file ends too early: it is not whole.');
    }

    public static function weakKey(int $least): self
    {
        return new self(\sprintf('The key has to have %d characters at least.', $least));
    }
}
