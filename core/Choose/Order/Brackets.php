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
    /**
     * Where the mean log-odds lie more standard deviations apart than this, or fewer than that, the sum is not needed to say on
     * which side of 90 % they are. Of 200 000 pairs drawn by chance none was unsure from 1.30 on, and none sure up to these, by
     * how much of either end all of them have seen.
     */
    private const FAR = 1.33;
    private const NEAR = ['1.5' => 1.15, '0.8' => 1.08, '0.4' => 1.0];
    /** A sum of so few steps is out by less than this. */
    private const ROUGH_STEPS = 30;
    private const ROUGH = 0.01;

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
        $known = [];
        foreach ($sorted as $i => $candidate) {
            if (null !== $enough && [] !== $brackets && $i - \count($brackets[array_key_last($brackets)]) >= $enough) {
                array_push($brackets[array_key_last($brackets)], ...\array_slice($sorted, $i));
                break;
            }
            $success = $candidate->success();
            $key = null === $first ? '' : \sprintf('%.9g/%.9g/%.9g/%.9g', $first->a, $first->b, $success->a, $success->b);
            if (null === $first || ($known[$key] ??= self::better($first, $success))) {
                $first = $success;
                $brackets[] = [];
            }
            $brackets[array_key_last($brackets)][] = $candidate;
        }

        return $brackets;
    }

    /** Whether it is sure that one is better than the other: with 90 % and more. */
    public static function better(Beta $one, Beta $other): bool
    {
        $seen = min($one->a, $one->b, $other->a, $other->b);
        foreach (self::NEAR as $atLeast => $near) {
            if ($seen >= (float) $atLeast) {
                [$mean, $variance] = $one->logOdds();
                [$otherMean, $otherVariance] = $other->logOdds();
                $apart = ($mean - $otherMean) / sqrt($variance + $otherVariance);
                if ($apart < $near || $apart > self::FAR) {
                    return $apart > self::FAR;
                }
                break;
            }
        }
        $roughly = $one->exceeds($other, self::ROUGH_STEPS);

        return (abs($roughly - self::SURE) > self::ROUGH ? $roughly : $one->exceeds($other)) >= self::SURE;
    }
}
