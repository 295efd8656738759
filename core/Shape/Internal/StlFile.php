<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ByteSource;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\ShapeFormat;

/**
 * STL, binary or text (the format as its makers described it in 1989, from memory): binary is an 80-byte head, the number
 * of facets, and 50 bytes for each; text is "facet … vertex x y z … endfacet". A binary head may say "solid" too.
 */
final class StlFile
{
    private const HEAD = 84;
    private const FACET = 50;
    private const AT_ONCE = 4000;
    /** A head that says more than this is not one of STL. */
    private const MOST = 50_000_000;

    /** @throws BadShape */
    public static function readBinary(string $head, ByteSource $rest): PartShape
    {
        $said = unpack('V', $head, 80)[1] ?? 0;
        if (0 === $said) {
            throw BadShape::noFacets();
        }
        if ($said > self::MOST) {
            throw BadShape::unknownFormat();
        }
        $facets = new Facets();
        $left = $said;
        $carry = '';
        while ($left > 0) {
            $want = min($left, self::AT_ONCE) * self::FACET;
            $chunk = $carry.$rest->read($want - \strlen($carry));
            $whole = intdiv(\strlen($chunk), self::FACET);
            if (0 === $whole) {
                throw BadShape::cutOff();
            }
            for ($i = 0, $at = 12; $i < $whole; ++$i, $at += self::FACET) {
                $f = unpack('g9', $chunk, $at);
                \assert(false !== $f);
                $facets->add($f[1], $f[2], $f[3], $f[4], $f[5], $f[6], $f[7], $f[8], $f[9]);
            }
            $carry = substr($chunk, $whole * self::FACET);
            $left -= $whole;
        }

        return $facets->shape(ShapeFormat::StlBinary);
    }

    /** @throws BadShape */
    public static function readText(string $head, ByteSource $rest): PartShape
    {
        $facets = new Facets();
        $text = $head;
        $corners = [];
        $ended = false;
        do {
            $more = $rest->read(1 << 18);
            $text .= $more;
            $cut = '' === $more ? \strlen($text) : strrpos($text, "\n");
            if (false === $cut) {
                if (\strlen($text) > 1 << 20) {
                    throw BadShape::unknownFormat();
                }
                continue;
            }
            $lines = substr($text, 0, $cut);
            $text = substr($text, $cut);
            preg_match_all('/^\s*vertex\s+(\S+)\s+(\S+)\s+(\S+)\s*$/mi', $lines, $found, \PREG_SET_ORDER);
            foreach ($found as [, $x, $y, $z]) {
                if (!is_numeric($x) || !is_numeric($y) || !is_numeric($z)) {
                    throw BadShape::notANumber('facet');
                }
                array_push($corners, (float) $x, (float) $y, (float) $z);
                if (9 === \count($corners)) {
                    $facets->add(...$corners);
                    $corners = [];
                }
            }
            $ended = $ended || 1 === preg_match('/^\s*endsolid\b/mi', $lines);
        } while ('' !== $more);
        if (!$ended || [] !== $corners) {
            throw 0 === $facets->count ? BadShape::noFacets() : BadShape::cutOff($facets->count);
        }

        return $facets->shape(ShapeFormat::StlAscii);
    }

    /** Whether a head of at least 84 bytes and a size are those of a binary file. */
    public static function looksBinary(string $head, int $sizeBytes): bool
    {
        if (\strlen($head) < self::HEAD) {
            return false;
        }
        $said = unpack('V', $head, 80)[1] ?? 0;

        return $sizeBytes === self::HEAD + self::FACET * $said || str_contains($head, "\0");
    }
}
