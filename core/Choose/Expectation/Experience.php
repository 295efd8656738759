<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\Material;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Evidence\Learned\Knowledge;

/** What the shop has made of one material and learned from it, looked up for a proposal. */
final class Experience
{
    /** Bed temperatures this near are taken as the same setting, K. */
    public const BED_NEAR_K = 5.0;
    /** Exposures this near are taken as the same setting: less than a rung of a ladder (ours). */
    private const EXPOSURE_NEAR = 0.1;
    /** So many at a setting, and so much of them well: it is a proposal of its own, whatever practice sets (ours). */
    private const OFTEN = 8;
    private const WELL = 0.7;

    /** @var array<string, list<OwnRuns>> by surface and agent */
    private readonly array $bySurfaceAndAgent;
    /** @var array<string, list<OwnRuns>> by side, surface and agent */
    private readonly array $bySide;
    /** @var array<string, OwnCount> by side, surface, agent and setting, and of all sides of a kind */
    private array $counted = [];
    /** @var array<string, ProvenSeat> by printer, side and agent */
    private array $proven;
    /** @var array<string, float|null> by side and agent */
    private array $often = [];
    /** @var \WeakMap<JobRequest, Chances> */
    private \WeakMap $chances;

    /**
     * @param list<OwnRuns>         $runs
     * @param list<ProvenSeat>      $proven what validated profiles vouch for, for this job
     * @param array<string, string> $epochs since the last change, by printer
     * @param array<string, self>   $others of further materials that are printed along, by id
     */
    public function __construct(
        array $runs,
        array $proven = [],
        private readonly ?Knowledge $knowledge = null,
        private readonly array $epochs = [],
        private readonly array $others = [],
    ) {
        $index = $bySide = $bySeat = [];
        foreach ($runs as $run) {
            if ($run->runs > 0 || $run->released > 0) {
                $kind = $run->surfaceId.'/'.$run->agentId;
                $index[$kind][] = $run;
                $bySide[$run->sideId.'/'.$kind][] = $run;
            }
        }
        foreach ($proven as $seat) {
            $bySeat[$seat->printerId.'/'.$seat->sideId.'/'.$seat->agentId] ??= $seat;
        }
        $this->bySurfaceAndAgent = $index;
        $this->bySide = $bySide;
        $this->proven = $bySeat;
        $this->chances = new \WeakMap();
    }

    /** What is known of a material that is printed along, else of its own. */
    public function of(Material $material): self
    {
        return $this->others[$material->id] ?? $this;
    }

    public function chances(JobRequest $job): Chances
    {
        return $this->chances[$job] ??= new Chances($job, $this->knowledge(), $this->epochs[$job->printer->id] ?? '');
    }

    /**
     * All own runs on one side with one agent, at any bed temperature.
     *
     * @return list<OwnRuns>
     */
    public function on(SideFacts $side, ?string $agentId): array
    {
        return $this->bySide[$side->id.'/'.$side->surfaceId.'/'.$agentId] ?? [];
    }

    /** What a validated profile vouches for on this side with this agent, for the job asked for. */
    public function proven(JobRequest $job, SideFacts $side, ?string $agentId): ?ProvenSeat
    {
        $seat = '/'.$side->id.'/'.$agentId;

        return $this->proven[$job->printer->id.$seat] ?? $this->proven[$seat] ?? null;
    }

    /**
     * What was made at a setting of the bed on a side.
     *
     * @param float|null $at bed, °C on the display, or exposure of a resin, s; null: unheated
     */
    public function near(JobRequest $job, SideFacts $side, ?string $agentId, ?float $at): OwnCount
    {
        $kind = $side->surfaceId.'/'.$agentId;

        return $this->counted[$side->id.'/'.$kind.pack('d', $at ?? \NAN)] ??= self::count($this->on($side, $agentId), $job->material->filament, $at);
    }

    /**
     * The same on all sides of its kind.
     *
     * @param float|null $at as for {@see near}
     */
    public function alike(JobRequest $job, string $surfaceId, ?string $agentId, ?float $at): OwnCount
    {
        $kind = $surfaceId.'/'.$agentId;

        return $this->counted[$kind.pack('d', $at ?? \NAN)] ??= self::count($this->bySurfaceAndAgent[$kind] ?? [], $job->material->filament, $at);
    }

    /**
     * The setting that was made most often on a side with an agent, where it went well and is not the one that is proposed anyway.
     *
     * @param float|null $proposed as for {@see near}
     *
     * @return float|null °C on the display, or s; null: there is none
     */
    public function often(JobRequest $job, SideFacts $side, ?string $agentId, ?float $proposed): ?float
    {
        $runs = $this->on($side, $agentId);
        if ([] === $runs) {
            return null;
        }
        $key = $side->id.'/'.$agentId;
        if (!\array_key_exists($key, $this->often)) {
            $this->often[$key] = $this->oftenest($runs, $job->material->filament);
        }
        $often = $this->often[$key];

        return null === $often || self::same($job->material->filament, $often, $proposed) ? null : $often;
    }

    /** So near an exposure nobody tells it apart, s; null: not known. */
    public static function sameExposure(?float $one, ?float $other): bool
    {
        return null !== $one && null !== $other && abs($one - $other) <= self::EXPOSURE_NEAR * $other;
    }

    private function knowledge(): Knowledge
    {
        /** @var Knowledge|null $practice */
        static $practice = null;

        return $this->knowledge ?? $practice ??= Knowledge::ofPractice();
    }

    /** @param list<OwnRuns> $runs */
    private function oftenest(array $runs, bool $filament): ?float
    {
        $counts = [];
        foreach ($runs as $run) {
            $at = $filament ? $run->under->bedC : $run->under->exposureS;
            if (null !== $at && !$run->under->ownBrim) {
                ($counts[(string) $at] ??= new OwnCount())->add($run);
            }
        }
        $most = null;
        foreach ($counts as $at => $count) {
            if ($count->runs >= self::OFTEN && $count->held >= self::WELL * $count->runs && $count->clean >= self::WELL * $count->released
                && (null === $most || $count->runs > $counts[$most]->runs)) {
                $most = (string) $at;
            }
        }

        return null === $most ? null : (float) $most;
    }

    /** @param list<OwnRuns> $runs */
    private static function count(array $runs, bool $filament, ?float $at): OwnCount
    {
        $count = new OwnCount();
        foreach ($runs as $run) {
            // What a foothold in somebody's own words gave them, no job can be told to have.
            if (!$run->under->ownBrim && self::same($filament, $filament ? $run->under->bedC : $run->under->exposureS, $at)) {
                $count->add($run);
            }
        }

        return $count;
    }

    private static function same(bool $filament, ?float $one, ?float $other): bool
    {
        return match (true) {
            null === $one || null === $other => $one === $other,
            $filament => abs($one - $other) <= self::BED_NEAR_K,
            default => self::sameExposure($one, $other),
        };
    }
}
