<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\GamesHowell;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\WelchOneWay;
use Sitzplatz\Test\LiftBy;
use Sitzplatz\Test\Measure;
use Sitzplatz\Words\Sentence;

/**
 * One measure across the setups: Welch's one-way test and the Games–Howell pairs, or why they cannot be had. The family
 * of pairs is all setups with readings of the measure, also those whose readings allow no figure.
 */
final readonly class MeasureComparison
{
    /**
     * @param list<MeasureSummary>                                                       $setups
     * @param list<array{a: string, b: string, result: ?GamesHowell, reason: ?Sentence}> $pairs
     */
    private function __construct(
        public Measure $measure,
        public array $setups,
        public ?WelchOneWay $overall,
        public ?Sentence $overallReason,
        public array $pairs,
    ) {
    }

    /**
     * @param list<SetupRecord> $records in the order in which they are shown; those without a reading are left out
     */
    public static function of(array $records, Measure $measure, LiftBy $liftBy = LiftBy::MeanOfEnds): self
    {
        $summaries = [];
        foreach ($records as $record) {
            $summary = MeasureSummary::of($record, $measure, $liftBy);
            if ($summary->n > 0) {
                $summaries[] = $summary;
            }
        }
        [$overall, $reason] = self::overall($summaries);
        $pairs = [];
        foreach ($summaries as $i => $a) {
            foreach (\array_slice($summaries, $i + 1) as $b) {
                $pairs[] = self::pair($a, $b, \count($summaries), $reason);
            }
        }

        return new self($measure, $summaries, $overall, $reason, $pairs);
    }

    /**
     * @param list<MeasureSummary> $summaries
     *
     * @return array{?WelchOneWay, ?Sentence}
     */
    private static function overall(array $summaries): array
    {
        if (\count($summaries) < 2) {
            return [null, Sentence::of('figure.one_setup')];
        }
        $samples = [];
        foreach ($summaries as $summary) {
            $sample = $summary->sample();
            if (null === $sample) {
                return [null, $summary->whyNoSample()];
            }
            $samples[] = $sample;
        }
        try {
            return [WelchOneWay::of($samples), null];
        } catch (InvalidArgument $e) {
            return [null, self::reason($e)];
        }
    }

    /** @return array{a: string, b: string, result: ?GamesHowell, reason: ?Sentence} */
    private static function pair(MeasureSummary $a, MeasureSummary $b, int $groups, ?Sentence $overallReason): array
    {
        $sampleA = $a->sample();
        $sampleB = $b->sample();
        if (null === $sampleA || null === $sampleB) {
            $worse = null === $sampleA ? $a : $b;

            return ['a' => $a->setup, 'b' => $b->setup, 'result' => null, 'reason' => $worse->whyNoSample()];
        }
        try {
            return ['a' => $a->setup, 'b' => $b->setup, 'result' => GamesHowell::pair($sampleA, $sampleB, $groups), 'reason' => null];
        } catch (InvalidArgument $e) {
            return ['a' => $a->setup, 'b' => $b->setup, 'result' => null, 'reason' => $overallReason ?? self::reason($e)];
        }
    }

    private static function reason(InvalidArgument $undefined): Sentence
    {
        return Sentence::of('figure.'.$undefined->getMessage());
    }
}
