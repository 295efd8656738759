<?php

declare(strict_types=1);

namespace App\Platform\Database;

use Symfony\Component\Uid\Uuid;

/** A UUID as rows have it, sixteen bytes, in the form that everything else uses; hundreds are read for one answer. */
final class StoredId
{
    /** As many as one answer has of them; a command that reads millions begins anew. */
    private const MOST_KNOWN = 10_000;
    /** @var array<string, string> the few that thousands of rows point to */
    private static array $known = [];

    public static function text(mixed $bytes): string
    {
        $bytes = \is_string($bytes) ? $bytes : '';
        if (isset(self::$known[$bytes])) {
            return self::$known[$bytes];
        }
        if (\count(self::$known) >= self::MOST_KNOWN) {
            self::$known = [];
        }
        $hex = bin2hex($bytes);

        return self::$known[$bytes] = substr($hex, 0, 8).'-'.substr($hex, 8, 4).'-'.substr($hex, 12, 4).'-'.substr($hex, 16, 4).'-'.substr($hex, 20);
    }

    /** Null for null. */
    public static function textOrNull(mixed $bytes): ?string
    {
        return null === $bytes ? null : self::text($bytes);
    }

    /** As rows have it; what is no UUID is no key of any row. */
    public static function bytes(string $text): string
    {
        return Uuid::isValid($text) ? Uuid::fromString($text)->toBinary() : '';
    }
}
