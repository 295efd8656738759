<?php

declare(strict_types=1);

namespace App\Platform\Contract;

/**
 * The part of a document that a JSON pointer needs: the value itself and all that it refers to, each in its place. The
 * validator walks all that it is given, and the whole contract is long.
 */
final class Excerpt
{
    public static function of(\stdClass $document, string $pointer): \stdClass
    {
        $excerpt = new \stdClass();
        $wanted = [$pointer];
        $seen = [];
        while (null !== $next = array_pop($wanted)) {
            if (isset($seen[$next])) {
                continue;
            }
            $seen[$next] = true;
            $value = self::copy($document, $excerpt, self::steps($next));
            array_push($wanted, ...self::references($value));
        }

        return $excerpt;
    }

    /** @return list<string> */
    private static function steps(string $pointer): array
    {
        return array_map(
            static fn (string $step): string => str_replace(['~1', '~0'], ['/', '~'], rawurldecode($step)),
            \array_slice(explode('/', $pointer), 1),
        );
    }

    /** @param list<string> $steps */
    private static function copy(\stdClass $from, \stdClass $to, array $steps): mixed
    {
        $last = array_pop($steps);
        foreach ($steps as $step) {
            $from = $from->{$step} ?? null;
            if (!$from instanceof \stdClass) {
                return null;
            }
            $to = $to->{$step} ??= new \stdClass();
        }

        return null === $last || !isset($from->{$last}) ? null : $to->{$last} = $from->{$last};
    }

    /** @return list<string> pointers within the document */
    private static function references(mixed $value): array
    {
        $found = [];
        foreach (\is_array($value) || $value instanceof \stdClass ? (array) $value : [] as $key => $each) {
            if ('$ref' === $key && \is_string($each)) {
                $found[] = substr($each, 1);
            } else {
                array_push($found, ...self::references($each));
            }
        }

        return $found;
    }
}
