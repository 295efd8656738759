<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** A file from which no part can be read, with what is wrong with it. */
final class BadShape extends Fault
{
    public static function empty(): self
    {
        return new self(Sentence::of('shape.empty'));
    }

    public static function unknownFormat(): self
    {
        return new self(Sentence::of('shape.unknown_format'));
    }

    public static function noFacets(): self
    {
        return new self(Sentence::of('shape.no_facets'));
    }

    /** The file ends before it is complete. */
    public static function cutOff(?int $afterFacets = null): self
    {
        return new self(null === $afterFacets ? Sentence::of('shape.cut_off') : Sentence::of('shape.cut_off_after', facets: Quantity::count($afterFacets)));
    }

    /** @param string $where mesh, gcode */
    public static function notANumber(string $where): self
    {
        return new self(Sentence::of('shape.not_a_number.'.$where));
    }

    public static function tooLarge(float $mm): self
    {
        return new self(Sentence::of('shape.too_large', length: Quantity::millimetres($mm, 1000.0)));
    }

    public static function tooFine(): self
    {
        return new self(Sentence::of('shape.too_fine', tolerance: Quantity::millimetres(0.02)));
    }

    /** G-code whose first layers hold more line than any bed takes. */
    public static function tooLong(): self
    {
        return new self(Sentence::of('shape.too_long'));
    }

    public static function flat(): self
    {
        return new self(Sentence::of('shape.flat'));
    }

    public static function notClosed(): self
    {
        return new self(Sentence::of('shape.not_closed'));
    }

    /** @param string $why doctype, unit, parts, nested, broken, or what else shape.xml knows */
    public static function badXml(string $why, string $about = ''): self
    {
        return new self(Sentence::of('shape.bad_xml', why: Sentence::of('shape.xml.'.$why, about: mb_substr($about, 0, 20))));
    }

    /** @param string $why what shape.archive knows */
    public static function badArchive(string $why): self
    {
        return new self(Sentence::of('shape.bad_archive', why: Sentence::of('shape.archive.'.$why)));
    }

    public static function noExtrusion(): self
    {
        return new self(Sentence::of('shape.no_extrusion'));
    }
}
