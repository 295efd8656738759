<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Method;

use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Statistics\GamesHowell;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Words\Sentence;

/**
 * Games–Howell pairs, or why they cannot be had. The family of pairs is all setups with readings of the measure, also those
 * whose readings allow no figure.
 */
final readonly class GamesHowellPairs implements StatisticalMethod
{
    public const KEY = 'games_howell';

    public function key(): string
    {
        return self::KEY;
    }

    public function words(): Sentence
    {
        return Sentence::of('method.games_howell');
    }

    public function compare(array $setups): MethodAnswer
    {
        $pairs = [];
        foreach ($setups as $i => $a) {
            foreach (\array_slice($setups, $i + 1) as $b) {
                $pairs[] = self::pair($a, $b, $setups);
            }
        }

        return new MethodAnswer(pairs: $pairs);
    }

    /** @param list<MeasureSummary> $setups the whole family */
    private static function pair(MeasureSummary $a, MeasureSummary $b, array $setups): PairLine
    {
        $sampleA = $a->sample();
        $sampleB = $b->sample();
        if (null === $sampleA || null === $sampleB) {
            return new PairLine($a->setup, $b->setup, reason: (null === $sampleA ? $a : $b)->whyNoSample());
        }
        try {
            $pair = GamesHowell::pair($sampleA, $sampleB, \count($setups));
        } catch (InvalidArgument $e) {
            // Where no test across all can be had, the same stands against the pair.
            $overall = (new Welch())->compare($setups)->reason;

            return new PairLine($a->setup, $b->setup, reason: $overall ?? Sentence::of('figure.'.$e->reason));
        }

        return new PairLine($a->setup, $b->setup, $pair->difference, $pair->interval, $pair->df, $pair->p);
    }
}
