<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Test\RunOutcome;

/** Own non-void runs, or prints for use, of one material on one side with one agent at one setting, counted. */
final readonly class OwnRuns
{
    public function __construct(
        public string $sideId,
        public string $surfaceId,
        public ?string $agentId,
        public RunConditions $under,
        /** Runs for which it is known whether the part held. */
        public int $runs,
        public int $held,
        /** Runs for which the release is known. */
        public int $released,
        /** Of these, taken off cleanly. */
        public int $clean,
        /** The longest of them; null: not known. */
        public ?float $minutes = null,
        /** The most parts on a plate. */
        public int $parts = 1,
    ) {
    }

    /**
     * Of a list as {@see RunCount::listed} takes it.
     *
     * @return array{int, int, int, int} runs and held, released and clean
     */
    public static function tallied(string $list): array
    {
        /** @var array<string, array{int, int, int, int}> $of a list, and of one end of it: there are a few dozen of these in thousands of lists */
        static $of = [];
        if (isset($of[$list])) {
            return $of[$list];
        }
        $runs = $held = $released = $clean = 0;
        foreach ('' === $list ? [] : explode(';', $list) as $each) {
            $comma = (int) strrpos($each, ',');
            $times = (int) substr($each, $comma + 1);
            $end = substr($each, 0, $comma);
            [$known, $holds, $taken, $cleanly] = $of[$end] ??= self::tally(RunCount::listed("$end,1"));
            $runs += $times * $known;
            $held += $times * $holds;
            $released += $times * $taken;
            $clean += $times * $cleanly;
        }

        return $of[$list] = [$runs, $held, $released, $clean];
    }

    /**
     * @param list<RunCount> $counts
     *
     * @return array{int, int, int, int} runs and held, released and clean
     */
    private static function tally(array $counts): array
    {
        $runs = $held = $released = $clean = 0;
        foreach ($counts as $count) {
            // An expectation is no answer: what nobody said moves it neither way.
            $runs += RunOutcome::Unsaid === $count->hold() ? 0 : $count->times;
            $held += RunOutcome::Passed === $count->hold() ? $count->times : 0;
            $released += RunOutcome::Unsaid === $count->release() ? 0 : $count->times;
            $clean += RunOutcome::Passed === $count->release() ? $count->times : 0;
        }

        return [$runs, $held, $released, $clean];
    }
}
