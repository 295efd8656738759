<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Evidence\Learned\Prediction;
use Sitzplatz\Statistics\Interval;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What to expect of one question for all parts of a plate: what practice says, and what is to be expected here. */
final readonly class Expectation
{
    /** A range that ends at 100 % would be read as a promise. */
    private const SUREST_SAID = 0.99;

    public float $chance;

    public function __construct(
        public Grade $grade,
        public Prediction $prediction,
        /** Own runs and prints on the very side at this setting, and how many of them went well. */
        public int $runs = 0,
        public int $well = 0,
    ) {
        $this->chance = $prediction->chance->share();
    }

    /** The central 90 % of what is believed; it is never said to be sure. */
    public function interval(): Interval
    {
        $interval = $this->prediction->chance->interval();

        return new Interval(min(self::SUREST_SAID, $interval->low), min(self::SUREST_SAID, $interval->high));
    }

    /** @param string $question hold or release */
    public function sentence(string $question): Sentence
    {
        return Sentence::of(
            "expect.$question",
            practice: Quantity::share($this->grade->share()),
            here: Quantity::share($this->chance),
            runs: Quantity::count($this->runs),
            well: Quantity::count($this->well),
        );
    }
}
