<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Sentence;

/** When a run may be declared void. */
final class VoidRule
{
    /**
     * Once the outcome has been seen, it takes a person other than the one who made the run: else a failure could be
     * talked away.
     *
     * @return Sentence|null why not, or null if it may be
     */
    public static function refuses(bool $outcomeSeen, string $madeBy, string $voidedBy): ?Sentence
    {
        return $outcomeSeen && $madeBy === $voidedBy
            ? Sentence::of('run.void_by_another')
            : null;
    }
}
