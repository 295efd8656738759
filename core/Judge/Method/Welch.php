<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Method;

use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\WelchOneWay;
use Sitzplatz\Words\Sentence;

/** Welch's one-way test across all setups, or why it cannot be had. */
final readonly class Welch implements StatisticalMethod
{
    public const KEY = 'welch';

    public function key(): string
    {
        return self::KEY;
    }

    public function words(): Sentence
    {
        return Sentence::of('method.welch');
    }

    public function compare(array $setups): MethodAnswer
    {
        if (\count($setups) < 2) {
            return new MethodAnswer(reason: Sentence::of('figure.one_setup'));
        }
        $samples = [];
        foreach ($setups as $summary) {
            $sample = $summary->sample();
            if (null === $sample) {
                return new MethodAnswer(reason: $summary->whyNoSample());
            }
            $samples[] = $sample;
        }
        try {
            $welch = WelchOneWay::of($samples);
        } catch (InvalidArgument $e) {
            return new MethodAnswer(reason: Sentence::of('figure.'.$e->reason));
        }

        return new MethodAnswer($welch->statistic, [$welch->df1, $welch->df2], $welch->p);
    }
}
