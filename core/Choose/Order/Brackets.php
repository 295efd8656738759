<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

/**
 * Candidates in brackets of what cannot be told apart: by their chance, a row joins its bracket while the probability that
 * the bracket's first is better, holding and letting go taken together, is less than 90 %.
 */
final readonly class Brackets
{
    public const SURE = 0.9;

    /**
     * @param list<Candidate> $candidates
     * @param int|null        $enough     what is not among so many of the likeliest, nor in a bracket with one of them, is the last bracket
     *
     * @return list<list<Candidate>> the likeliest first
     */
    public static function of(array $candidates, ?int $enough = null): array
    {
        // By numbers alone: hundreds are put in order, of which few are looked at.
        $chances = array_map(static fn (Candidate $candidate): float => $candidate->chance, $candidates);
        arsort($chances);
        $sorted = array_map(static fn (int $at): Candidate => $candidates[$at], array_keys($chances));
        $brackets = [];
        $first = null;
        foreach ($sorted as $i => $candidate) {
            if (null !== $enough && [] !== $brackets && $i - \count($brackets[array_key_last($brackets)]) >= $enough) {
                array_push($brackets[array_key_last($brackets)], ...\array_slice($sorted, $i));
                break;
            }
            if (null === $first || self::better($first, $candidate)) {
                $first = $candidate;
                $brackets[] = [];
            }
            $brackets[array_key_last($brackets)][] = $candidate;
        }

        return $brackets;
    }

    /** Whether it is sure that one is better than the other: with 90 % and more. */
    public static function better(Candidate $one, Candidate $other): bool
    {
        return self::sure($one, $other) >= self::SURE;
    }

    /**
     * How sure it is that one is better. What both share tells them apart in nothing: a printer or a lot of which little is known makes both unsure, and
     * neither the better.
     */
    public static function sure(Candidate $one, Candidate $other): float
    {
        return $one->success()->exceeds(
            $other->success(),
            $one->hold->prediction->covariance($other->hold->prediction),
            $one->release->prediction->covariance($other->release->prediction),
        );
    }
}
