<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\Interval;

/** What to expect of one question: what practice says, what own runs say, and both together. */
final readonly class Expectation
{
    /** @param list<Evidence> $evidence */
    private function __construct(public Grade $grade, public array $evidence, public Beta $belief)
    {
    }

    /** @param list<Evidence> $evidence the nearest first */
    public static function of(Grade $grade, array $evidence): self
    {
        $belief = $grade->prior();
        foreach ($evidence as $each) {
            $belief = $belief->after($each->successes, $each->runs, $each->likeness->weight());
        }

        return new self($grade, $evidence, $belief);
    }

    /** Runs on the very side with the very lot. */
    public function own(): Evidence
    {
        $first = $this->evidence[0] ?? null;

        return Likeness::SameSideAndLot === $first?->likeness ? $first : new Evidence(Likeness::SameSideAndLot, 0, 0);
    }

    /** The central 90 % of the belief. */
    public function interval(): Interval
    {
        return new Interval($this->belief->quantile(0.05), $this->belief->quantile(0.95));
    }

    public function sentence(string $verb): string
    {
        $parts = [\sprintf('Practice says %s', self::percent($this->grade->prior()->mean()))];
        foreach ($this->evidence as $each) {
            $parts[] = \sprintf(
                '%d of %s%d runs %s %s%s',
                $each->successes,
                Likeness::SameSideAndLot === $each->likeness ? 'your ' : '',
                $each->runs,
                $each->likeness->words(),
                $verb,
                $each->likeness->weight() < 1 ? \sprintf(' (counted at %s)', $each->likeness->weight()) : '',
            );
        }

        return [] === $this->evidence ? $parts[0].'; no own runs yet.' : implode(', ', $parts).': together '.self::percent($this->belief->mean()).'.';
    }

    public static function percent(float $share): string
    {
        // A no-break space keeps figure and sign on one line.
        return \sprintf("%d\u{00A0}%%", (int) round(100 * $share));
    }
}
