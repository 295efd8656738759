<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Test\Effort;
use Sitzplatz\Test\RunOutcome;
use Sitzplatz\Test\RunOutcomes;

/** Own runs with one and the same end, so many of them. */
final readonly class RunCount
{
    public function __construct(
        public int $times,
        /** Null: not noted. */
        public ?bool $held,
        /** Null: not noted. */
        public ?Effort $effort,
        /** Whether the plate was; null: not noted. */
        public ?bool $damaged,
    ) {
    }

    /**
     * Of a list such as "1,0,0,5;0,,,2": held, effort, damage and how many runs ended so; what was not noted is empty.
     *
     * @return list<self>
     */
    public static function listed(string $list): array
    {
        $counts = [];
        foreach ('' === $list ? [] : explode(';', $list) as $each) {
            [$held, $effort, $damage, $times] = explode(',', $each);
            $counts[] = new self(
                (int) $times,
                '' === $held ? null : '1' === $held,
                '' === $effort ? null : Effort::from((int) $effort),
                '' === $damage ? null : '1' === $damage,
            );
        }

        return $counts;
    }

    public function hold(): RunOutcome
    {
        return RunOutcomes::held($this->held);
    }

    /** Taken off without scraper and without harm to the plate. */
    public function release(): RunOutcome
    {
        return RunOutcomes::cameOff($this->effort, $this->damaged);
    }
}
