<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\Sample;
use Sitzplatz\Test\Measure;

/**
 * The verdict on one setup. Held-or-not and the hot pull decide whether it holds; cold pull, effort and damage decide
 * whether it lets go. A missing measure leaves the answer open. More force never wins by itself.
 */
final readonly class SetupJudgement
{
    private function __construct(
        public string $setup,
        public Verdict $verdict,
        public Finding $hold,
        public Finding $release,
        public HeldRate $held,
        /** Further runs of this setup that would settle the verdict; null if settled or not to be settled by runs. */
        public ?int $moreRuns,
    ) {
    }

    public static function of(SetupRecord $record, Limits $limits): self
    {
        $held = HeldRate::of($record);
        $hold = self::hold($record, $held, $limits);
        $release = self::release($record, $limits);
        $verdict = Verdict::combining($hold->answer, $release->answer);
        $more = null;
        if (Verdict::NotYetKnown === $verdict) {
            // A part gives one pull, hot or cold, so what the two questions still need adds up.
            $pulls = 0;
            foreach ([$hold, $release] as $finding) {
                if (Answer::NotYet === $finding->answer) {
                    $pulls = null === $pulls || null === $finding->morePulls ? null : $pulls + $finding->morePulls;
                }
            }
            $more = null === $pulls ? null : max(1, $pulls, $limits->runsPlanned - $held->runs);
        }

        return new self($record->name, $verdict, $hold, $release, $held, $more);
    }

    public function words(): string
    {
        return match (true) {
            Verdict::NotYetKnown !== $this->verdict => $this->verdict->words(),
            null === $this->moreRuns => 'not yet known: more runs alone will not settle it',
            1 === $this->moreRuns => 'not yet known: 1 more run',
            default => \sprintf('not yet known: %d more runs', $this->moreRuns),
        };
    }

    private static function hold(SetupRecord $record, HeldRate $held, Limits $limits): Finding
    {
        $failures = $held->runs - $held->held;
        $counted = \sprintf('%d of %d runs held to the end.', $held->held, $held->runs);
        if ($failures > $limits->failuresAllowed) {
            return new Finding(Answer::No, [
                \sprintf('%d of %d runs did not hold; the plan allows %d.', $failures, $held->runs, $limits->failuresAllowed),
            ]);
        }
        if (0 === $held->runs) {
            return new Finding(Answer::NotYet, ['Nobody has said yet whether a part held.']);
        }
        $summary = MeasureSummary::of($record, Measure::PullHot);
        if ($summary->nAtLeast > 0) {
            return new Finding(Answer::NotYet, [
                $summary->reason.' Use a stronger test piece or a gauge with more range.',
                $counted,
            ], null);
        }
        $pull = MeanAgainstLimit::of(new Sample($summary->exact), $limits->hotPullAtLeastN);
        $sentence = self::boundSentence('hot pull', $pull, $limits->hotPullAtLeastN, $summary->n);
        if (Answer::No === $pull->above) {
            return new Finding(Answer::No, [$sentence, $counted]);
        }
        if (Answer::NotYet === $pull->above) {
            return new Finding(Answer::NotYet, [$sentence, $counted], $pull->moreReadings);
        }
        if ($held->runs < $limits->runsPlanned) {
            return new Finding(Answer::NotYet, [
                \sprintf('%d of %d planned runs are done.', $held->runs, $limits->runsPlanned),
                $sentence,
            ]);
        }

        return new Finding(Answer::Yes, [$sentence, $counted]);
    }

    private static function release(SetupRecord $record, Limits $limits): Finding
    {
        $hard = $record->count(Measure::Effort, $limits->effortAtMost->value);
        $damaged = $record->count(Measure::Damage, 0.5);
        if ($damaged > 0) {
            return new Finding(Answer::No, [\sprintf('The plate was damaged in %d %s.', $damaged, 1 === $damaged ? 'run' : 'runs')]);
        }
        if ($hard > $limits->failuresAllowed) {
            return new Finding(Answer::No, [\sprintf(
                '%d %s harder to take off than "%s"; the plan allows %d.',
                $hard,
                1 === $hard ? 'part was' : 'parts were',
                $limits->effortAtMost->words(),
                $limits->failuresAllowed,
            )]);
        }
        $summary = MeasureSummary::of($record, Measure::PullCold);
        $above = \count(array_filter($summary->atLeast, static fn (float $n): bool => $n > $limits->coldPullAtMostN));
        if ($summary->nAtLeast > 0) {
            return new Finding(Answer::NotYet, [\sprintf(
                '%s %d of them already above %s N.',
                $summary->reason,
                $above,
                self::figure($limits->coldPullAtMostN),
            )], null);
        }
        $pull = MeanAgainstLimit::of(new Sample($summary->exact), $limits->coldPullAtMostN);
        // "Above the limit" is the bad side here: the bound has to stay at or below it.
        $clear = null !== $pull->upperBound && $pull->upperBound <= $limits->coldPullAtMostN;
        $sentence = self::boundSentence('cold pull', $pull, $limits->coldPullAtMostN, $summary->n);
        if (!$clear && Answer::Yes === $pull->above) {
            return new Finding(Answer::No, [$sentence]);
        }
        $efforts = \count($record->readings(Measure::Effort));
        $damages = \count($record->readings(Measure::Damage));
        $missing = array_keys(array_filter(['release effort' => 0 === $efforts, 'damage' => 0 === $damages]));
        if (!$clear) {
            return new Finding(Answer::NotYet, [$sentence], $pull->moreReadings);
        }
        if ([] !== $missing) {
            return new Finding(Answer::NotYet, [\sprintf('Nobody has noted the %s yet.', implode(' or the ', $missing)), $sentence]);
        }
        $short = $limits->coldRunsPlanned - $summary->n;
        if ($short > 0) {
            return new Finding(Answer::NotYet, [
                \sprintf('%d of %d planned cold pulls are done.', $summary->n, $limits->coldRunsPlanned),
                $sentence,
            ], $short);
        }

        return new Finding(Answer::Yes, [$sentence, \sprintf('No damage; at most %d harder than "%s".', $hard, $limits->effortAtMost->words())]);
    }

    private static function boundSentence(string $pull, MeanAgainstLimit $mean, float $limitN, int $n): string
    {
        if (null === $mean->lowerBound || null === $mean->upperBound) {
            return 0 === $n
                ? \sprintf('There is no %s yet.', $pull)
                : \sprintf('One %s has no spread: at least two are needed.', $pull);
        }

        return \sprintf(
            'Mean %s between %s and %s N (one-sided 95 %% bounds, n = %d) against %s N.',
            $pull,
            self::figure($mean->lowerBound),
            self::figure($mean->upperBound),
            $n,
            self::figure($limitN),
        );
    }

    private static function figure(float $value): string
    {
        return number_format($value, 1, '.', '');
    }
}
