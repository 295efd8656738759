<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** How the two ends of a bar give the one lift of a run (common practice; trade notes, section 8). */
enum LiftBy: string
{
    /** Mean of both ends against the middle. */
    case MeanOfEnds = 'mean_of_ends';
    /** For a bar with one point, whose mean would hide what its point does. */
    case WorstEnd = 'worst_end';

    /** Of several parts on a plate the worst has to stay flat too, whatever was said. */
    public static function ofParts(int $parts, ?self $said): self
    {
        return $parts > 1 ? self::WorstEnd : $said ?? self::MeanOfEnds;
    }

    /**
     * @param non-empty-list<float> $endsMm
     */
    public function of(array $endsMm): float
    {
        return self::WorstEnd === $this ? max($endsMm) : array_sum($endsMm) / \count($endsMm);
    }
}
