<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

/**
 * What to check for a symptom, in order: how likely it is the cause, against the effort of checking. Cleaning comes
 * before any change of settings (common practice).
 */
final readonly class Diagnosis
{
    /** A quick check costs about this much besides its own minutes: finding tools, waiting for the next print. */
    private const FIXED_EFFORT_MINUTES = 20.0;

    /** @param list<Check> $checks */
    private function __construct(public array $checks)
    {
    }

    /**
     * @param list<Check> $known
     */
    public static function of(string $symptomId, array $known, PlateState $plate): self
    {
        $score = [];
        foreach ($known as $check) {
            $likelihood = ($check->likelihoods[$symptomId] ?? 0) * $plate->weight($check->id);
            if ($likelihood > 0) {
                $score[$check->id] = $likelihood / ($check->minutes + self::FIXED_EFFORT_MINUTES);
            }
        }
        $checks = array_values(array_filter($known, static fn (Check $check): bool => isset($score[$check->id])));
        usort($checks, static fn (Check $a, Check $b): int => $score[$b->id] <=> $score[$a->id]);

        return new self($checks);
    }
}
