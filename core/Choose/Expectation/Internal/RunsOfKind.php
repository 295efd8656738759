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
    /** @var array<string, array{?float, ?float, AlikeRuns}> bed in the first layer and afterwards, or exposure; by these and the likeness */
    private array $byBed = [];
    /** @var array<string, RunsAtSetting> by bed or exposure, and bed afterwards */
    private array $at = [];

    public function __construct(private readonly bool $filament)
    {
    }

    /** @param Likeness $likeness on the same side with the bed as it was */
    public function add(OwnRuns $run, Likeness $likeness, JobRequest $job): void
    {
        $whole = $run->parts >= $job->partCount;
        $at = $this->filament ? $run->bedC : $run->exposureS;
        // Asked of every run: as bytes, for to write numbers out takes longer than all else here.
        $key = pack('d2v', $at ?? \NAN, $run->bedOtherC ?? \NAN, $likeness->key() << 1 | (int) $whole);
        ($this->byBed[$key] ??= [$at, $run->bedOtherC, new AlikeRuns($likeness, $whole)])[2]->add($run, $job);
    }

    /**
     * @param float|null $at     bed, °C on the display, or exposure of a resin, s; null: unheated
     * @param float|null $otherC after the first layer; null: the same
     */
    public function at(?float $at, ?float $otherC): RunsAtSetting
    {
        return $this->at[pack('d2', $at ?? \NAN, $otherC ?? \NAN)] ??= $this->drawn($at, $otherC);
    }

    private function drawn(?float $at, ?float $otherC): RunsAtSetting
    {
        $runs = new RunsAtSetting();
        foreach ($this->byBed as [$bedC, $bedOtherC, $alike]) {
            if (null === $bedC || null === $at ? $bedC === $at : $this->near($bedC, $at)) {
                $after = null === $bedOtherC || $this->near($bedOtherC, $otherC ?? $bedC ?? $bedOtherC);
                $runs->add($alike, $after ? $alike->here : $alike->here->withAnotherBedAfter());
            }
        }

        return $runs;
    }

    private function near(float $one, float $other): bool
    {
        return $this->filament ? abs($one - $other) <= Experience::BED_NEAR_K : Experience::sameExposure($one, $other);
    }
}
