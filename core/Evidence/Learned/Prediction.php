<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Statistics\LogisticNormal;

/** What is to be expected of one setup for one job, in terms that others share. */
final readonly class Prediction
{
    /** Steps of Newton's to where a failure leaves it; four are the rule. */
    private const STEPS = 30;
    private const SETTLED = 1e-12;
    /** A variance is never less, though what never met was left out of its sum. */
    private const NOTHING = 1e-9;

    /** @param list<Term> $terms */
    private function __construct(
        private array $terms,
        public LogisticNormal $chance,
        private Posterior $posterior,
    ) {
    }

    /**
     * @param float      $practice of its grade, log-odds
     * @param list<Term> $terms    of the posterior
     */
    public static function of(float $practice, array $terms, Posterior $posterior): self
    {
        [$mean, $variance] = $posterior->together($terms);

        return new self($terms, new LogisticNormal($practice + $mean, max(self::NOTHING, $variance)), $posterior);
    }

    /** With another of the same shop and question, on log-odds. */
    public function covariance(self $other): float
    {
        $sum = 0.0;
        foreach ($this->terms as $term) {
            foreach ($other->terms as $with) {
                $sum += $term === $with ? $term->variance : $this->posterior->covariance($term, $with);
            }
        }

        return $sum;
    }

    /**
     * What is to be expected of it once another has failed: the other is where the failure leaves it by Laplace, and this one moves along as far as
     * both hang together.
     */
    public function onceFailed(self $other): LogisticNormal
    {
        $of = $other->chance;
        $at = $of->mean;
        for ($step = 0; $step < self::STEPS; ++$step) {
            $p = LogisticNormal::logistic($at);
            $by = -(($at - $of->mean) / $of->variance + $p) / (1 / $of->variance + $p * (1 - $p));
            $at += $by;
            if (abs($by) < self::SETTLED) {
                break;
            }
        }
        $p = LogisticNormal::logistic($at);
        $left = 1 / (1 / $of->variance + $p * (1 - $p));
        $along = $this->covariance($other) / $of->variance;

        return new LogisticNormal(
            $this->chance->mean + $along * ($at - $of->mean),
            max(self::NOTHING, $this->chance->variance - $along ** 2 * ($of->variance - $left)),
        );
    }
}
