<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\Grade;

/**
 * What to try first where only a maker's chart speaks: each way that it has, the likeliest first, beside the surest that is
 * proven here, if there is one (common practice: one thing changed, and something known beside it).
 */
final readonly class FirstTest
{
    /** As many as fit a morning (our own choice). */
    private const MOST_WAYS = 3;

    /** @param non-empty-list<Candidate> $setups */
    private function __construct(
        public array $setups,
        /** As many as confirm a grade. */
        public int $runsEach,
        /** The last of the setups is proven, and stands beside them. */
        public bool $withProven,
    ) {
    }

    /**
     * @param string|null $surfaceId null: any surface
     *
     * @return self|null null if nothing that can be printed rests on a chart alone
     */
    public static function of(Ranking $ranking, ?string $surfaceId): ?self
    {
        $ways = $proven = [];
        foreach ($ranking->candidates as $candidate) {
            $surface = $candidate->proposal->surface->id;
            if ($candidate->proven) {
                $proven[] = $candidate;
            } elseif ($candidate->treatment->basis->isOnlyTheMakers()
                && (null === $surfaceId || $surface === $surfaceId)
                && $candidate->alike()->runs < Grade::CONFIRMED_BY
            ) {
                // Plates of one kind are alike until somebody tried one.
                $ways[$surface.'/'.$candidate->treatment->agentId] ??= $candidate;
            }
        }
        if ([] === $ways) {
            return null;
        }

        return new self([...\array_slice(array_values($ways), 0, self::MOST_WAYS), ...\array_slice($proven, 0, 1)], Grade::CONFIRMED_BY, [] !== $proven);
    }
}
