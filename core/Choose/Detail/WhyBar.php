<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Detail;

use Sitzplatz\Words\Phrase;

/** One step from what practice says to a chance. */
final readonly class WhyBar
{
    public function __construct(
        public string $id,
        /** In a few words. */
        public Phrase $name,
        /** In full. */
        public Phrase $says,
        /** On what it rests. */
        public Phrase $basis,
        /** Chances before and after it. */
        public float $from,
        public float $to,
        /** Where it may lead as far as it is known: the central 90 %. */
        public float $low,
        public float $high,
        /** By how much, on log-odds. */
        public float $logOdds,
        /** Own prints behind it, and how many of them went well; null: none are counted for it. */
        public ?int $prints = null,
        public ?int $well = null,
    ) {
    }
}
