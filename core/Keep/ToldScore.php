<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\ForecastScore;

/** What was said of prints for use against what happened, and against who goes by practice alone or by a running share of each setup. */
final readonly class ToldScore
{
    private function __construct(
        public ForecastScore $score,
        public ForecastScore $practice,
        public ForecastScore $running,
        /** The mean of what was said. */
        public float $said,
    ) {
    }

    /**
     * @param array<int, ToldJob> $jobs
     * @param array<int, float>   $running what a running share of its setup would have said of each
     */
    public static function of(array $jobs, array $running): ?self
    {
        $forecasts = [[], [], []];
        foreach ($jobs as $i => $job) {
            foreach ([$job->said, $job->practice, $running[$i]] as $who => $said) {
                $forecasts[$who][] = new Forecast($said, $job->cameTrue);
            }
        }
        [$score, $practice, $share] = array_map(ForecastScore::of(...), $forecasts);

        return null === $score || null === $practice || null === $share ? null : new self(
            $score,
            $practice,
            $share,
            array_sum(array_map(static fn (ToldJob $job): float => $job->said, $jobs)) / $score->n,
        );
    }

    /** Nearer to what happened than the plain share, and no farther than practice alone and than a running share. */
    public function better(): bool
    {
        return $this->score->brier < $this->score->baseRateBrier
            && $this->score->brier <= min($this->practice->brier, $this->running->brier);
    }
}
