<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/** A sum on heat was asked for with figures that cannot be. */
final class BadHeat extends \DomainException
{
    private function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    public static function notPositive(string $field, string $what): self
    {
        return new self($field, \sprintf('%s has to be more than zero.', $what));
    }

    public static function noLayers(): self
    {
        return new self('layers', 'Name at least one layer, from the heater upwards.');
    }

    public static function tooCold(): self
    {
        return new self('surfaceC', 'The measured surface is not warmer than the room: nothing can be learned from it.');
    }

    public static function outOfReach(float $surfaceC): self
    {
        return new self('surfaceC', \sprintf('No display setting up to 600 °C brings the surface to %.0f °C.', $surfaceC));
    }
}
