<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/** A sum on heat was asked for with figures that cannot be. */
final class BadHeat extends Fault
{
    private function __construct(public readonly string $field, Sentence $sentence)
    {
        parent::__construct($sentence);
    }

    public static function notPositive(string $field): self
    {
        return new self($field, Sentence::of('heat.not_positive', what: Sentence::of('heat.what.'.$field)));
    }

    public static function thickness(Phrase $of): self
    {
        return new self('thicknessMm', Sentence::of('heat.thickness', layer: $of));
    }

    public static function noLayers(): self
    {
        return new self('layers', Sentence::of('heat.no_layers'));
    }

    public static function tooCold(): self
    {
        return new self('surfaceC', Sentence::of('heat.too_cold'));
    }
}
