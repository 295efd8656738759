<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Evidence\Likeness;

/**
 * Own runs of one kind of surface and agent, for one job: drawn together by how like it they are and at which bed they were
 * made, and from there to each setting that is asked for, so that many runs and sides cost no more than few.
 */
final class RunsOfKind
{
    /** @var array<string, array{?float, ?float, AlikeRuns}> bed in the first layer and afterwards */
    private array $byBed = [];
    /** @var array<string, RunsAtSetting> */
    private array $at = [];

    /** @param Likeness $likeness on the same side with the bed as it was */
    public function add(OwnRuns $run, Likeness $likeness, JobRequest $job): void
    {
        $whole = $run->parts >= $job->partCount;
        $key = $run->bedC.'/'.$run->bedOtherC.'/'.$likeness->key().'/'.$whole;
        ($this->byBed[$key] ??= [$run->bedC, $run->bedOtherC, new AlikeRuns($likeness, $whole)])[2]->add($run, $job);
    }

    /**
     * @param float|null $displayC null: unheated
     * @param float|null $otherC   after the first layer; null: the same
     */
    public function at(?float $displayC, ?float $otherC): RunsAtSetting
    {
        return $this->at[$displayC.'/'.$otherC] ??= $this->drawn($displayC, $otherC);
    }

    private function drawn(?float $displayC, ?float $otherC): RunsAtSetting
    {
        $runs = new RunsAtSetting();
        foreach ($this->byBed as [$bedC, $bedOtherC, $alike]) {
            if (null === $bedC || null === $displayC ? $bedC === $displayC : self::near($bedC, $displayC)) {
                $after = null === $bedOtherC || self::near($bedOtherC, $otherC ?? $bedC ?? $bedOtherC);
                $runs->add($alike, $after ? $alike->here : $alike->here->withAnotherBedAfter());
            }
        }

        return $runs;
    }

    private static function near(float $oneC, float $otherC): bool
    {
        return abs($oneC - $otherC) <= Experience::BED_NEAR_K;
    }
}
