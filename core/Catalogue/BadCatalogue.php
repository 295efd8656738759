<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** The knowledge base contradicts itself. */
final class BadCatalogue extends Fault
{
    public static function window(float $low, float $target, float $high): self
    {
        return new self(Sentence::of('catalogue.window', low: Quantity::number($low), target: Quantity::number($target), high: Quantity::number($high)));
    }

    /** @param string $kind material, surface, agent, cleaner, layer */
    public static function unknown(string $kind, string $id): self
    {
        return new self(Sentence::of('catalogue.unknown', kind: $kind, id: $id));
    }

    public static function twice(string $kind, string $id): self
    {
        return new self(Sentence::of('catalogue.twice', kind: $kind, id: $id));
    }

    public static function noWindow(): self
    {
        return new self(Sentence::of('catalogue.no_window'));
    }

    public static function givenUp(): self
    {
        return new self(Sentence::of('catalogue.given_up'));
    }

    public static function openPrinter(): self
    {
        return new self(Sentence::of('catalogue.open_printer'));
    }

    public static function named(Phrase $name): self
    {
        return new self(Sentence::of('catalogue.named', name: $name));
    }

    public static function range(float $low, float $high): self
    {
        return new self(Sentence::of('catalogue.range', low: Quantity::number($low), high: Quantity::number($high)));
    }

    public static function beyondLimit(float $lowC, float $limitC): self
    {
        return new self(Sentence::of('catalogue.beyond_limit', low: Quantity::celsius($lowC), limit: Quantity::celsius($limitC)));
    }

    public static function otherWindow(): self
    {
        return new self(Sentence::of('catalogue.other_window'));
    }

    public static function axis(string $materialId, string $surfaceId): self
    {
        return new self(Sentence::of('catalogue.axis', material: $materialId, surface: $surfaceId));
    }
}
