<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\ForecastScore;

/** What was said of prints for use against what happened, and against who goes by practice alone. */
final readonly class ToldScore
{
    private function __construct(
        public ForecastScore $score,
        /** The mean of what was said. */
        public float $said,
        public float $practiceBrier,
    ) {
    }

    /** @param list<ToldJob> $jobs; null if there are none */
    public static function of(array $jobs): ?self
    {
        $score = ForecastScore::of(array_map(static fn (ToldJob $job): Forecast => new Forecast($job->said, $job->cameTrue), $jobs));
        $practice = ForecastScore::of(array_map(static fn (ToldJob $job): Forecast => new Forecast($job->practice, $job->cameTrue), $jobs));

        return null === $score || null === $practice ? null : new self(
            $score,
            array_sum(array_map(static fn (ToldJob $job): float => $job->said, $jobs)) / $score->n,
            $practice->brier,
        );
    }

    /** Nearer to what happened than the plain share, and than practice alone. */
    public function better(): bool
    {
        return $this->score->brier < $this->score->baseRateBrier && $this->score->brier <= $this->practiceBrier;
    }
}
