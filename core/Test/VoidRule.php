<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * When a run may be declared void: before its outcome was seen by anybody, afterwards by a person other than the one who
 * made it, else a failure could be talked away. Where a shop has one person only, by that person after a while, and marked.
 */
final readonly class VoidRule
{
    private function __construct(
        /** Why not, or null if it may be. */
        public ?Sentence $refusal,
        /** Declared by whoever made the run, with the outcome known. */
        public bool $alone,
    ) {
    }

    /**
     * @param float|null  $outcomeSaidSecondsAgo null: nobody has seen the outcome
     * @param string|null $madeBy                id of a person
     * @param string      $voidedBy              id of a person
     */
    public static function on(?float $outcomeSaidSecondsAgo, ?string $madeBy, string $voidedBy, OnePersonShop $shop): self
    {
        if (null === $outcomeSaidSecondsAgo || $madeBy !== $voidedBy) {
            return new self(null, false);
        }
        if (!$shop->allowed) {
            return new self(Sentence::of('run.void_by_another'), false);
        }
        $left = $shop->waitSeconds - $outcomeSaidSecondsAgo;

        return $left > 0
            ? new self(Sentence::of('run.void_wait', wait: Quantity::seconds($left)), false)
            : new self(null, true);
    }
}
