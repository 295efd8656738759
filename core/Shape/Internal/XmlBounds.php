<?php

declare(strict_types=1);

namespace Sitzplatz\Shape\Internal;

use Sitzplatz\Shape\BadShape;

/**
 * What an XML parser is given, looked at before it: a parser compares each attribute of an element with all others of it, and
 * begins a comment or a section anew with every piece that it gets, so that small files can hold it for long. Only UTF-8, in
 * which no byte of a mark can be part of another sign; a document type, which could define what unfolds, is refused.
 */
final class XmlBounds
{
    /** A comment, an instruction or a section that is text; an element that is not read to its end. */
    private const LONGEST = 65_536;
    /** Text between two elements, all pieces of it together. */
    private const LONGEST_TEXT = 1 << 20;
    /**
     * Elements as they should be, with text between them: of a hundred attributes at most, each of some thousand bytes at most. The first
     * element of a model names some twenty, any other of it ten.
     */
    private const ELEMENTS = '~\G(?:[^<]{0,65535}+<(?![!?])(?:[^>"\']{0,1024}+(?:"[^"]{0,8192}+"|\'[^\']{0,8192}+\')){0,100}+[^>"\']{0,1024}+>)*+~';
    /** One that ends, however large. */
    private const ELEMENT = '~\G<(?:[^>"\']++|"[^"]*+"|\'[^\']*+\')*+>~';
    /** What is no element begins in this way, and ends in that. */
    private const OTHER = ['<!--' => '-->', '<![CDATA[' => ']]>', '<?' => '?>'];

    /** Within so many bytes a file says how it is written. */
    private const DECLARATION = 256;

    private bool $begun = false;
    /** What was not read to its end yet. */
    private string $open = '';
    private int $text = 0;

    /**
     * The next bytes of the file, in order.
     *
     * @throws BadShape if they hold what no model needs
     */
    public function pass(string $bytes): void
    {
        $bytes = $this->open.$bytes;
        $this->open = '';
        if (!$this->begun) {
            self::isUtf8($bytes) || throw BadShape::badXml('encoding');
            // So little harms nobody; more of it may say how it is written.
            if (\strlen($bytes) < self::DECLARATION && !str_contains($bytes, '?>')) {
                $this->open = $bytes;

                return;
            }
            $this->begun = true;
        }
        for ($at = 0, $end = \strlen($bytes); $at < $end;) {
            $whole = 1 === preg_match(self::ELEMENTS, $bytes, $match, 0, $at) ? \strlen($match[0]) : 0;
            if ($whole > 0) {
                $this->text = 0;
                $at += $whole;
                continue;
            }
            $mark = $at + strcspn($bytes, '<', $at);
            $this->text += $mark - $at;
            if ($this->text > self::LONGEST_TEXT) {
                throw BadShape::badXml('too_much');
            }
            $at = $mark < $end ? $this->other($bytes, $mark) : $end;
        }
    }

    /**
     * @return int how far it was read
     *
     * @throws BadShape
     */
    private function other(string $bytes, int $at): int
    {
        $this->text = 0;
        $rest = substr($bytes, $at, self::LONGEST + 1);
        foreach (self::OTHER as $begins => $ends) {
            if (str_starts_with($rest, $begins)) {
                $found = strpos($rest, $ends, \strlen($begins));

                return false === $found ? $this->leftOpen($bytes, $at) : $at + $found + \strlen($ends);
            }
            if (str_starts_with($begins, $rest)) {
                return $this->leftOpen($bytes, $at);
            }
        }
        if (str_starts_with($rest, '<!')) {
            throw BadShape::badXml('doctype');
        }
        if (1 === preg_match(self::ELEMENT, $bytes, $match, 0, $at)) {
            throw BadShape::badXml('too_much');
        }

        return $this->leftOpen($bytes, $at);
    }

    /** @throws BadShape if it should have ended by now */
    private function leftOpen(string $bytes, int $at): int
    {
        if (\strlen($bytes) - $at > self::LONGEST) {
            throw BadShape::badXml('too_much');
        }
        $this->open = substr($bytes, $at);

        return \strlen($bytes);
    }

    private static function isUtf8(string $begin): bool
    {
        // Marks of order, blanks between letters, and other alphabets' "<?".
        if (1 === preg_match('/^(\xFE\xFF|\xFF\xFE|\x00|[^\x00]\x00|\x4C\x6F)/', $begin)) {
            return false;
        }

        return 1 !== preg_match('/^(?:\xEF\xBB\xBF)?\s*<\?xml[^>]*?\bencoding\s*=\s*(["\'])(?!(?:utf-?8|us-ascii)\1)[^"\']*\1/i', $begin);
    }
}
