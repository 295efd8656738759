<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** Something was added under a key that is taken, is no key, or is not known; the message is the key. A fault of whoever added it. */
final class UnusableKey extends \LogicException
{
    public static function of(string $key): self
    {
        return new self($key);
    }
}
