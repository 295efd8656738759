<?php

declare(strict_types=1);

namespace Sitzplatz\Warp;

/** The curl of a part was asked for with figures that cannot be. */
final class BadWarp extends \DomainException
{
    public static function layers(): self
    {
        return new self('A part curls from its second layer on: it needs at least two.');
    }

    public static function notPositive(string $what): self
    {
        return new self(\sprintf('%s has to be more than zero.', $what));
    }
}
