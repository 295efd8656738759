<?php

declare(strict_types=1);

namespace App\Bench;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** The prints of one shop whose truth is drawn, see {@see SimulatedLog}. */
final class SimulatedPrints
{
    private const MATERIALS = 5;
    private const SURFACES = 4;
    private const SIDES_OF_EACH = 2;
    private const PRINTERS = 3;
    /** From grade to what is true of the middle pair of it, on the scale of the normal law. */
    private const TRUE = ['strong' => 1.6, 'fair' => 0.55, 'poor' => -0.85];
    private const GRADES = ['strong', 'strong', 'strong', 'strong', 'strong', 'fair', 'fair', 'fair', 'poor', 'poor'];
    /** A print elsewhere than where it is expected to go best. */
    private const ELSEWHERE = 0.3;
    private const FINE = 2 ** 30;

    private Randomizer $random;
    private bool $differs;
    private float $lots;
    private float $epochs;
    /** @var array<string, float> what each thing truly adds, drawn when it is first met */
    private array $adds = [];

    public function __construct(private readonly string $truth, int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
        $this->differs = 'nothing' !== $truth;
        $this->lots = 'lots_and_epochs' === $truth ? 0.5 : 0.12;
        $this->epochs = 'lots_and_epochs' === $truth ? 0.4 : 0.12;
    }

    /** @return list<array{list<string>, float, float}> cells, and the chances that each truly has to hold and to come off clean */
    public function of(string $name, int $prints): array
    {
        $grades = $releases = $truths = $letsGo = [];
        for ($pair = 0; $pair < self::MATERIALS * self::SURFACES; ++$pair) {
            $grades[$pair] = $this->grade();
            $releases[$pair] = $this->grade();
            [$truths[$pair], $letsGo[$pair]] = [$this->true($grades[$pair]), $this->true($releases[$pair])];
        }
        $jobCosts = 0.6 + ($this->differs ? 0.2 * $this->normal() : 0.0);
        $sides = self::SURFACES * self::SIDES_OF_EACH;
        $sheets = $printed = array_fill(0, $sides, 0);
        $life = array_map(fn (): int => $this->random->getInt(60, 220), range(1, $sides));
        $epoch = array_fill(0, self::PRINTERS, 1);
        $lot = array_fill(0, self::MATERIALS, 1);
        $counts = $rows = [];
        for ($t = 1; $t <= $prints; ++$t) {
            $material = $this->random->getInt(0, self::MATERIALS - 1);
            $side = $this->side($material, $grades, $counts, $sides);
            $printer = $this->random->getInt(0, self::PRINTERS - 1);
            $epoch[$printer] += $this->chance() < 0.01 ? 1 : 0;
            $lot[$material] += $this->chance() < 0.02 ? 1 : 0;
            $pair = $material * self::SURFACES + intdiv($side, self::SIDES_OF_EACH);
            $job = $this->chance() < 0.5 ? 0.0 : 0.8 * log(max(1e-9, $this->chance()));
            $parts = [1, 1, 1, 2, 4, 8][$this->random->getInt(0, 5)];
            $minutes = (int) round(exp(5 + 0.8 * $this->normal()));
            $worn = 'wear' === $this->truth ? 1.5 * max(0.0, $printed[$side] / $life[$side] - 0.5) : 0.0;
            $around = $this->adds("side $material/$side", 0.18) + $this->adds("printer $printer", 0.18)
                + $this->adds("lot $material/$lot[$material]", $this->lots) + $this->adds("epoch $printer/$epoch[$printer]", $this->epochs);
            $jobAdds = $jobCosts * $job - 0.2 * log($parts) - 0.09 * log(max(15, $minutes) / 60);
            $holds = self::phi($truths[$pair] + $around + $jobAdds - $worn);
            $letsGoBy = self::phi($letsGo[$pair] + $this->adds("release side $material/$side", 0.2) + 0.3 * $worn - 0.1 * log($parts));
            $held = $this->chance() < $holds;
            $clean = $this->chance() < $letsGoBy;
            $rows[] = [array_map(strval(...), [
                $name, $t, "m$material", 's'.intdiv($side, self::SIDES_OF_EACH), 'bare', "d$side", $sheets[$side], "p$printer", $epoch[$printer],
                $lot[$material], 'use', $grades[$pair], round($job, 4), $parts, $minutes, (int) $held, $held ? (int) $clean : '', $releases[$pair],
                round($holds, 6),
            ]), $holds, $letsGoBy];
            $counts["$material/$side"][(int) $held] = ($counts["$material/$side"][(int) $held] ?? 0) + 1;
            if (++$printed[$side] >= $life[$side]) {
                [$printed[$side], $life[$side]] = [0, $this->random->getInt(60, 220)];
                ++$sheets[$side];
            }
        }

        return $rows;
    }

    private function grade(): string
    {
        return self::GRADES[$this->random->getInt(0, \count(self::GRADES) - 1)];
    }

    private function true(string $grade): float
    {
        if ('wrong_grades' === $this->truth && $this->chance() < 1 / 3) {
            $grade = array_keys(self::TRUE)[$this->random->getInt(0, 2)];
        }

        return self::TRUE[$grade] + ($this->differs ? 0.3 * $this->normal() : 0.0);
    }

    /**
     * @param array<int, string>             $grades by pair
     * @param array<string, array<int, int>> $counts failed and held, by material and side
     */
    private function side(int $material, array $grades, array $counts, int $sides): int
    {
        if ($this->chance() < self::ELSEWHERE) {
            return $this->random->getInt(0, $sides - 1);
        }
        [$best, $most] = [0, -\INF];
        for ($side = 0; $side < $sides; ++$side) {
            [$failed, $held] = [$counts["$material/$side"][0] ?? 0, $counts["$material/$side"][1] ?? 0];
            $share = self::phi(self::TRUE[$grades[$material * self::SURFACES + intdiv($side, self::SIDES_OF_EACH)]]);
            $looks = ($held + 3 * $share) / ($held + $failed + 3) + 0.05 * $this->normal();
            [$best, $most] = $looks > $most ? [$side, $looks] : [$best, $most];
        }

        return $best;
    }

    private function adds(string $thing, float $spread): float
    {
        return $this->differs ? $this->adds[$thing] ??= $spread * $this->normal() : 0.0;
    }

    private function chance(): float
    {
        return $this->random->getInt(0, self::FINE - 1) / self::FINE;
    }

    /** Box and Muller (1958). */
    private function normal(): float
    {
        return sqrt(-2 * log(max(1e-12, $this->chance()))) * cos(2 * \M_PI * $this->chance());
    }

    /** Of the normal law: Abramowitz & Stegun 26.2.17, to 1e-7 (from memory). */
    private static function phi(float $z): float
    {
        $t = 1 / (1 + 0.2316419 * abs($z));
        $tail = exp(-$z * $z / 2) / sqrt(2 * \M_PI) * $t * (0.319381530 + $t * (-0.356563782 + $t * (1.781477937 + $t * (-1.821255978 + $t * 1.330274429))));

        return $z > 0 ? 1 - $tail : $tail;
    }
}
