<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** Something that cannot be, with the sentence that tells what to do instead; its message has the keys, for a log. */
abstract class Fault extends \DomainException
{
    protected function __construct(public readonly Sentence $sentence, ?\Throwable $previous = null)
    {
        parent::__construct(self::keys($sentence), 0, $previous);
    }

    private static function keys(Sentence $sentence): string
    {
        $inner = array_map(self::keys(...), array_filter($sentence->with, static fn (Phrase $phrase): bool => $phrase instanceof Sentence));

        return implode(' ', [$sentence->key, ...array_values($inner)]);
    }
}
