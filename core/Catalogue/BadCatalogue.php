<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** The knowledge base contradicts itself. */
final class BadCatalogue extends \DomainException
{
    public static function window(float $low, float $target, float $high): self
    {
        return new self(\sprintf('A window runs from low over target to high, not %s, %s, %s.', $low, $target, $high));
    }

    public static function unknown(string $kind, string $id): self
    {
        return new self(\sprintf('There is no %s "%s" in the catalogue.', $kind, $id));
    }

    public static function twice(string $kind, string $id): self
    {
        return new self(\sprintf('The %s "%s" stands in the catalogue twice.', $kind, $id));
    }

    public static function noWindow(): self
    {
        return new self('The catalogue has nothing on this pair: give its window too, from low over target to high.');
    }

    public static function axis(string $materialId, string $surfaceId): self
    {
        return new self(\sprintf('The pair "%s" on "%s" mixes filament and resin, or its window lies on the wrong axis.', $materialId, $surfaceId));
    }
}
