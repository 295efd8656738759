<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** A reading that cannot be taken as it stands; the message tells what to enter instead. */
final class BadReading extends \DomainException
{
    public static function unit(Measure $measure, string $unit): self
    {
        $units = array_map(static fn (string $u): string => '' === $u ? 'no unit' : $u, $measure->units());

        return new self(\sprintf(
            '%s is given in %s, not in "%s".',
            $measure->value,
            implode(' or ', $units),
            $unit,
        ));
    }

    public static function value(Measure $measure, string $wanted): self
    {
        return new self(\sprintf('%s has to be %s.', $measure->value, $wanted));
    }

    public static function notAtLeast(Measure $measure): self
    {
        return new self(\sprintf('%s cannot be "at least": only a pull force can be a lower bound.', $measure->value));
    }
}
