<?php

declare(strict_types=1);

namespace App\Device;

/** The gauge does not answer; the message says what to look at. */
final class GaugeUnreachable extends \RuntimeException
{
    public static function at(string $address): self
    {
        return new self(\sprintf('The gauge at %s does not answer. Is it switched on and connected?', $address));
    }

    public static function silent(): self
    {
        return new self('The gauge fell silent during the pull. Look at its cable, then pull again or type the reading in.');
    }

    public static function unclear(string $line): self
    {
        return new self(\sprintf('The gauge said "%s", which is not understood here.', substr($line, 0, 60)));
    }
}
