<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Statistics\Beta;

/**
 * Candidates in brackets of what cannot be told apart: by their chance, a row joins its bracket while the probability that
 * the bracket's first is better, holding and letting go taken together, is less than 90 %.
 */
final readonly class Brackets
{
    public const SURE = 0.9;
    /** Beliefs whose log-odds lie so many standard deviations apart are told apart without the sum. */
    private const FAR = 5.0;
    /**
     * And so near that the first is better with less than 87 % in the worst of 20 000 pairs drawn by chance, as long as both have
     * seen this much of either end.
     */
    private const NEAR = 0.5;
    private const SEEN = 0.4;

    /**
     * @param list<Candidate> $candidates
     * @param int|null        $enough     what is not among so many of the likeliest, nor in a bracket with one of them, is the last bracket
     *
     * @return list<list<Candidate>> the likeliest first
     */
    public static function of(array $candidates, ?int $enough = null): array
    {
        usort($candidates, static fn (Candidate $a, Candidate $b): int => $b->chance <=> $a->chance);
        $brackets = [];
        $first = null;
        $known = [];
        foreach ($candidates as $i => $candidate) {
            if (null !== $enough && [] !== $brackets && $i - \count($brackets[array_key_last($brackets)]) >= $enough) {
                array_push($brackets[array_key_last($brackets)], ...\array_slice($candidates, $i));
                break;
            }
            $success = $candidate->success();
            $key = null === $first ? '' : \sprintf('%.9g/%.9g/%.9g/%.9g', $first->a, $first->b, $success->a, $success->b);
            if (null === $first || ($known[$key] ??= self::better($first, $success)) >= self::SURE) {
                $first = $success;
                $brackets[] = [];
            }
            $brackets[array_key_last($brackets)][] = $candidate;
        }

        return $brackets;
    }

    private static function better(Beta $one, Beta $other): float
    {
        $apart = log($one->a / $one->b) - log($other->a / $other->b);

        $spread = sqrt(1 / $one->a + 1 / $one->b + 1 / $other->a + 1 / $other->b);

        return match (true) {
            $apart > self::FAR * $spread => 1.0,
            $apart < self::NEAR * $spread && min($one->a, $one->b, $other->a, $other->b) >= self::SEEN => 0.5,
            default => $one->exceeds($other),
        };
    }
}
