<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Request\JobRequest;

/**
 * Own runs of one kind of surface and agent, for one job: drawn together at each setting that is asked for by how like it they
 * are, so that many runs and sides cost no more than few.
 */
final class RunsOfKind
{
    private readonly ?float $nozzleC;
    /** @var array<string, RunsAtSetting> by bed or exposure, and bed afterwards */
    private array $at = [];

    /** @param list<RunsUnderConditions> $runs */
    public function __construct(private readonly JobRequest $job, private readonly array $runs)
    {
        $this->nozzleC = $job->firstLayerNozzleC();
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
        $setting = new RunsAtSetting();
        $filament = $this->job->material->filament;
        foreach ($this->runs as $runs) {
            $was = $runs->at($filament);
            if (null === $was || null === $at ? $was !== $at : !self::near($filament, $was, $at)) {
                continue;
            }
            $likeness = $runs->likeness($this->job, $this->nozzleC);
            $wasOther = $runs->otherC();
            if (null !== $wasOther && !self::near($filament, $wasOther, $otherC ?? $was ?? $wasOther)) {
                $likeness = $likeness->withAnotherBedAfter();
            }
            foreach ($runs->sums as [$sameLot, $whole, $sums]) {
                $setting->add($sums, $sameLot ? $likeness : $likeness->withAnotherLot(), $whole);
            }
        }

        return $setting;
    }

    private static function near(bool $filament, float $one, float $other): bool
    {
        return $filament ? abs($one - $other) <= Experience::BED_NEAR_K : Experience::sameExposure($one, $other);
    }
}
