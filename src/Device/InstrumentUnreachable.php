<?php

declare(strict_types=1);

namespace App\Device;

/** A measuring device does not answer; the message says what to look at. */
final class InstrumentUnreachable extends \RuntimeException
{
    public static function at(string $address): self
    {
        return new self(\sprintf('The device at %s does not answer. Is it switched on and connected?', $address));
    }

    public static function silentInPull(): self
    {
        return new self('The gauge fell silent during the pull. Look at its cable, then pull again or type the reading in.');
    }

    public static function silentWhileCooling(): self
    {
        return new self('The thermometer fell silent. Look at its cable and watch again, or type the reading in.');
    }

    public static function unclear(string $line): self
    {
        return new self(\sprintf('The device said "%s", which is not understood here.', substr($line, 0, 60)));
    }
}
