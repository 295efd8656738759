<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation\Internal;

use Sitzplatz\Choose\Expectation\Evidence;
use Sitzplatz\Evidence\Likeness;

/** Own runs of one kind of surface and agent at one setting of the bed, and what they say of a job on each side. */
final class RunsAtSetting
{
    /** @var array<string, AlikeRuns> by likeness */
    private array $alike = [];
    /** @var array<string, true> that they were made on */
    private array $sides = [];
    /** @var array<string, array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int}> by side; "" for all others */
    private array $said = [];
    /** @var list<array{float, bool, Likeness, AlikeRuns, bool}>|null */
    private ?array $nearestFirst = null;
    private ?float $longestMinutes = null;
    private int $mostParts = 0;

    /** @param Likeness $likeness to the job, on the same side */
    public function add(AlikeRuns $runs, Likeness $likeness): void
    {
        ($this->alike[$likeness->key().($runs->wholePlate ? '/plate' : '')] ??= new AlikeRuns($likeness, $runs->wholePlate))->addAll($runs);
        foreach ($runs->sides() as $sideId) {
            $this->sides[$sideId] = true;
        }
    }

    /** @return array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int} the nearest first */
    public function of(string $sideId): array
    {
        // All sides that nothing was made on are told the same.
        return $this->said[isset($this->sides[$sideId]) ? $sideId : ''] ??= $this->said($sideId);
    }

    /** @return array{hold: list<Evidence>, release: list<Evidence>, longestMinutes: ?float, mostParts: int} */
    private function said(string $sideId): array
    {
        $hold = $release = [];
        foreach ($this->nearestFirst ??= $this->nearestFirst() as [$weight, $whole, $likeness, $alike, $here]) {
            $n = $here ? $alike->on($sideId) : $alike->elsewhere($sideId);
            if (null === $n) {
                continue;
            }
            if ($n[1] > 0) {
                $hold[] = new Evidence($likeness, (int) $n[0], (int) $n[1], $weight * $n[2], $weight * $n[3], $whole);
            }
            if ($n[5] > 0) {
                $release[] = new Evidence($likeness, (int) $n[4], (int) $n[5], $weight * $n[6], $weight * $n[7], $whole);
            }
        }

        return ['hold' => $hold, 'release' => $release, 'longestMinutes' => $this->longestMinutes, 'mostParts' => $this->mostParts];
    }

    /** @return list<array{float, bool, Likeness, AlikeRuns, bool}> on the same side and elsewhere, the same for every side */
    private function nearestFirst(): array
    {
        $found = [];
        foreach ($this->alike as $alike) {
            $found[] = [$alike->weightHere, $alike->wholePlate, $alike->here, $alike, true];
            $found[] = [$alike->weightElsewhere, $alike->wholePlate, $alike->elsewhere, $alike, false];
            $this->longestMinutes = null === $alike->longestMinutes ? $this->longestMinutes : max($this->longestMinutes ?? 0.0, $alike->longestMinutes);
            $this->mostParts = max($this->mostParts, $alike->mostParts);
        }
        usort($found, static fn (array $a, array $b): int => [$b[0], $b[1]] <=> [$a[0], $a[1]]);

        return $found;
    }
}
