<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

/** A file from which no part can be read; the message says to a technician what is wrong with it. */
final class BadShape extends \DomainException
{
    public static function empty(): self
    {
        return new self('The file is empty.');
    }

    public static function unknownFormat(): self
    {
        return new self('This is neither STL nor 3MF nor G-code: export the part in one of these.');
    }

    public static function noFacets(): self
    {
        return new self('The file holds no facets: export the part again.');
    }

    public static function cutOff(string $what): self
    {
        return new self(\sprintf('The file is cut off: %s. Copy or export it again.', $what));
    }

    public static function notANumber(string $where): self
    {
        return new self(\sprintf('%s holds something that is not a number: export the part again.', $where));
    }

    public static function tooLarge(float $mm): self
    {
        return new self(\sprintf('The part would be %.0f m long: check the units of the export.', $mm / 1000));
    }

    public static function tooFine(): self
    {
        return new self('The underside is meshed too finely to be read here: export it with a coarser tolerance, 0.02 mm will do.');
    }

    public static function flat(): self
    {
        return new self('The part has no height: this is a drawing, not a body.');
    }

    public static function notClosed(): self
    {
        return new self('The mesh has no closed outline at the plate: repair it and export it again.');
    }

    public static function badXml(string $why): self
    {
        return new self(\sprintf('The model inside the 3MF file cannot be read: %s.', $why));
    }

    public static function badArchive(string $why): self
    {
        return new self(\sprintf('The 3MF file cannot be opened: %s.', $why));
    }

    public static function noExtrusion(): self
    {
        return new self('The G-code lays down no plastic: is it the right file?');
    }
}
