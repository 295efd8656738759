<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/**
 * What a maker's chart says of one way to use a pair. A chart is where to start, to be confirmed or refuted on the own bench
 * (common practice); so its yes is worth a fair, and its maybe a poor (our own choice).
 */
enum ChartWord: string
{
    case Recommended = 'recommended';
    case Possible = 'possible';
    case DoesNotHold = 'does not hold';
    case BondsForGood = 'bonds for good';

    public function holds(): Grade
    {
        return match ($this) {
            self::Recommended => Grade::Fair,
            self::Possible => Grade::Poor,
            self::DoesNotHold => Grade::Never,
            self::BondsForGood => Grade::Strong,
        };
    }

    public function letsGo(): Grade
    {
        return match ($this) {
            self::Recommended, self::Possible => Grade::Fair,
            self::DoesNotHold => Grade::Strong,
            self::BondsForGood => Grade::Never,
        };
    }

    public function worthATry(): bool
    {
        return self::Recommended === $this || self::Possible === $this;
    }
}
