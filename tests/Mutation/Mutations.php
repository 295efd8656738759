<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Mutation;

/** Finds every place of a source where one small change would change what it reckons. */
final class Mutations
{
    private const SWAPPED = [
        '+' => '-', '-' => '+', '*' => '/', '/' => '*', '<' => '>=', '>' => '<=',
        '<=' => '>', '>=' => '<', '===' => '!==', '!==' => '===', '&&' => '||', '||' => '&&', '+=' => '-=', '-=' => '+=',
    ];

    /** @return list<array{line: int, was: string, is: string, source: string}> */
    public static function of(string $source): array
    {
        $tokens = token_get_all($source);
        $found = [];
        $declares = false;
        foreach ($tokens as $i => $token) {
            $text = \is_array($token) ? $token[1] : $token;
            $declares = ($declares || (\is_array($token) && \T_DECLARE === $token[0])) && ';' !== $text;
            $is = $declares ? null : self::changed($tokens, $i);
            if (null !== $is) {
                $found[] = ['line' => self::line($tokens, $i), 'was' => $text, 'is' => $is, 'source' => self::put($tokens, $i, $is)];
            }
        }

        return $found;
    }

    /** @param list<array{int, string, int}|string> $tokens */
    private static function changed(array $tokens, int $i): ?string
    {
        $token = $tokens[$i];
        $text = \is_array($token) ? $token[1] : $token;
        if (\is_array($token) && \T_LNUMBER === $token[0] && ctype_digit($text)) {
            return (string) ((int) $text < 5 ? (int) $text + 1 : (int) ceil(1.25 * (int) $text));
        }
        if (\is_array($token) && \T_DNUMBER === $token[0]) {
            $value = (float) $text;

            return abs($value) < 1e-300 ? '1.0' : var_export(1.25 * $value, true);
        }
        if (!isset(self::SWAPPED[$text]) || (\is_array($token) && \in_array($token[0], [\T_CONSTANT_ENCAPSED_STRING, \T_ENCAPSED_AND_WHITESPACE, \T_INLINE_HTML], true))) {
            return null;
        }
        // A sign is not a sum.
        $before = self::before($tokens, $i);
        $binary = ('+' !== $text && '-' !== $text) || 1 === preg_match('/[\w)\]\'"]$/', $before) && !\in_array(strtolower($before), ['return', 'case', 'yield'], true);

        return $binary ? self::SWAPPED[$text] : null;
    }

    /** @param list<array{int, string, int}|string> $tokens */
    private static function before(array $tokens, int $i): string
    {
        while (--$i >= 0) {
            $token = $tokens[$i];
            if (!\is_array($token) || !\in_array($token[0], [\T_WHITESPACE, \T_COMMENT, \T_DOC_COMMENT], true)) {
                return \is_array($token) ? $token[1] : $token;
            }
        }

        return '';
    }

    /** @param list<array{int, string, int}|string> $tokens */
    private static function line(array $tokens, int $i): int
    {
        for (; $i >= 0; --$i) {
            if (\is_array($tokens[$i])) {
                return $tokens[$i][2] + substr_count($tokens[$i][1], "\n");
            }
        }

        return 1;
    }

    /** @param list<array{int, string, int}|string> $tokens */
    private static function put(array $tokens, int $at, string $text): string
    {
        $source = '';
        foreach ($tokens as $i => $token) {
            $source .= $i === $at ? $text : (\is_array($token) ? $token[1] : $token);
        }

        return $source;
    }
}
