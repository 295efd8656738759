<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\Evidence;
use Sitzplatz\Evidence\Likeness;

/** Own runs of one kind of surface and agent at one setting of the bed, and what they say of a job on each side. */
final class RunsAtSetting
{
    /** @var array<int, AlikeRuns> by likeness and whether for the whole plate */
    private array $alike = [];
    /** @var array<string, array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int}> by side; "" for all others */
    private array $said = [];
    /** @var list<array{float, bool, Likeness, RunSums, bool}>|null */
    private ?array $nearestFirst = null;
    private ?float $longestMinutes = null;
    private int $mostParts = 0;

    /**
     * @param Likeness $likeness   to the job, on the same side
     * @param bool     $wholePlate made with no fewer parts than the job has
     */
    public function add(RunSums $sums, Likeness $likeness, bool $wholePlate): void
    {
        $key = $likeness->key() << 1 | (int) $wholePlate;
        if (isset($this->alike[$key])) {
            $this->alike[$key]->sums->addAll($sums);
        } else {
            // The sums are those of other jobs, too.
            $this->alike[$key] = new AlikeRuns($likeness, $wholePlate, clone $sums);
        }
    }

    /** @return array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int} the nearest first */
    public function of(string $sideId): array
    {
        // All sides that nothing was made on are told the same.
        return $this->said[$this->madeOn($sideId) ? $sideId : ''] ??= $this->said($sideId);
    }

    private function madeOn(string $sideId): bool
    {
        foreach ($this->alike as $alike) {
            if (null !== $alike->sums->on($sideId)) {
                return true;
            }
        }

        return false;
    }

    /** @return array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int} */
    private function said(string $sideId): array
    {
        $hold = $release = [];
        foreach ($this->nearestFirst ??= $this->nearestFirst() as [$weight, $whole, $likeness, $sums, $here]) {
            $n = $here ? $sums->on($sideId) : $sums->elsewhere($sideId);
            if (null === $n) {
                continue;
            }
            if ($n[1] > 0) {
                $hold[] = new Evidence($likeness, (int) $n[0], (int) $n[1], $weight * $n[2], $weight * $n[3], $whole);
            }
            if ($n[5] > 0) {
                $release[] = new Evidence($likeness, (int) $n[4], (int) $n[5], $weight * $n[4], $weight * $n[6], $whole);
            }
        }

        return ['hold' => $hold, 'release' => $release, 'longestMinutes' => $this->longestMinutes, 'mostParts' => $this->mostParts];
    }

    /** @return list<array{float, bool, Likeness, RunSums, bool}> on the same side and elsewhere, the same for every side */
    private function nearestFirst(): array
    {
        $found = [];
        foreach ($this->alike as $alike) {
            $sums = $alike->sums;
            $found[] = [$alike->weightHere, $alike->wholePlate, $alike->here, $sums, true];
            $found[] = [$alike->weightElsewhere, $alike->wholePlate, $alike->elsewhere, $sums, false];
            $this->longestMinutes = null === $sums->longestMinutes ? $this->longestMinutes : max($this->longestMinutes ?? 0.0, $sums->longestMinutes);
            $this->mostParts = max($this->mostParts, $sums->mostParts);
        }
        usort($found, static fn (array $a, array $b): int => [$b[0], $b[1]] <=> [$a[0], $a[1]]);

        return $found;
    }
}
