<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** When a run may be declared void. */
final class VoidRule
{
    /**
     * Once the outcome has been seen, it takes a person other than the one who made the run: else a failure could be
     * talked away.
     *
     * @return string|null why not, or null if it may be
     */
    public static function refuses(bool $outcomeSeen, string $madeBy, string $voidedBy): ?string
    {
        return $outcomeSeen && $madeBy === $voidedBy
            ? 'The outcome of this run is known already. Somebody else has to declare it void.'
            : null;
    }
}
