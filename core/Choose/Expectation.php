<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\Interval;

/** What to expect of one question: what practice says, what own runs say, and both together. */
final readonly class Expectation
{
    private function __construct(
        public Grade $grade,
        public int $ownSuccesses,
        public int $ownRuns,
        public int $similarSuccesses,
        public int $similarRuns,
        public Beta $belief,
    ) {
    }

    public static function of(Grade $grade, int $ownSuccesses, int $ownRuns, int $similarSuccesses, int $similarRuns): self
    {
        $belief = $grade->prior();
        if ($similarRuns > 0) {
            $belief = $belief->after($similarSuccesses, $similarRuns, Experience::SIMILAR_WEIGHT);
        }
        if ($ownRuns > 0) {
            $belief = $belief->after($ownSuccesses, $ownRuns);
        }

        return new self($grade, $ownSuccesses, $ownRuns, $similarSuccesses, $similarRuns, $belief);
    }

    /** The central 90 % of the belief. */
    public function interval(): Interval
    {
        return new Interval($this->belief->quantile(0.05), $this->belief->quantile(0.95));
    }

    public function sentence(string $verb): string
    {
        $parts = [\sprintf('Practice says %s', self::percent($this->grade->prior()->mean()))];
        if ($this->ownRuns > 0) {
            $parts[] = \sprintf('your own %d of %d runs %s', $this->ownSuccesses, $this->ownRuns, $verb);
        }
        if ($this->similarRuns > 0) {
            $parts[] = \sprintf(
                '%d of %d similar runs (other plate or lot, counted at %s) %s',
                $this->similarSuccesses,
                $this->similarRuns,
                Experience::SIMILAR_WEIGHT,
                $verb,
            );
        }
        if (1 === \count($parts)) {
            return $parts[0].'; no own runs yet.';
        }

        return implode(', ', $parts).': together '.self::percent($this->belief->mean()).'.';
    }

    private static function percent(float $share): string
    {
        // A no-break space keeps figure and sign on one line.
        return \sprintf("%d\u{00A0}%%", (int) round(100 * $share));
    }
}
