<?php

declare(strict_types=1);

namespace App\Bench;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Choose\Expectation\Evidence;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\OwnRecord;
use Sitzplatz\Evidence\Likeness;
use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\ForecastScore;

/**
 * Shops whose truths do not come from our prior: a fifth of the grades are wrong, each pair and each plate differs by itself,
 * and sheets wear without anybody being told. Each prints a thousand times, mostly with what is expected to hold best; what
 * was said of prints 201 to 1000 is held against what came.
 */
final class SimulatedShops
{
    private const MATERIALS = 6;
    private const SURFACES = 4;
    private const PLATES = 2;
    private const PRINTS = 1_000;
    private const LEARNING = 200;
    private const LEARN_EVERY = 25;
    private const WRONG = 0.2;
    /** That something else is printed on than what is expected to hold best. */
    private const OTHERWISE = 0.25;
    private const GRADES = [Grade::Strong, Grade::Strong, Grade::Fair, Grade::Fair, Grade::Poor];
    /** What a grade truly comes to, before pair and plate differ. */
    private const TRUE = ['strong' => 0.94, 'fair' => 0.7, 'poor' => 0.25];
    /** What it may be as well, where the grade is wrong. */
    private const OTHERS = ['strong' => ['fair', 'poor'], 'fair' => ['strong', 'poor'], 'poor' => ['strong', 'fair']];
    private const PAIR_SPREAD = 0.5;
    private const PLATE_SPREAD = 0.3;
    /** Prints that a sheet lasts; from six tenths of them on it holds worse. */
    private const LIFE = [120, 260];
    private const WEAR = 2.5;
    private const FINE = 2 ** 30;

    private Randomizer $random;
    /** @var list<Forecast> */
    private array $said = [];
    /** @var list<Forecast> */
    private array $practice = [];
    private Likeness $here;
    private Likeness $elsewhere;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
        $this->here = Likeness::of(forUse: true);
        $this->elsewhere = $this->here->onAnotherSide();
    }

    /** @return array{said: ForecastScore, practice: ForecastScore} in bins of five points */
    public function run(int $shops): array
    {
        for ($shop = 0; $shop < $shops; ++$shop) {
            $this->shop();
        }

        return [
            'said' => ForecastScore::of($this->said, 0.05) ?? throw new \LogicException(),
            'practice' => ForecastScore::of($this->practice, 0.05) ?? throw new \LogicException(),
        ];
    }

    private function shop(): void
    {
        $grades = $truths = [];
        for ($pair = 0; $pair < self::MATERIALS * self::SURFACES; ++$pair) {
            $grades[$pair] = self::GRADES[$this->random->getInt(0, \count(self::GRADES) - 1)];
            $wrong = self::OTHERS[$grades[$pair]->value][$this->random->getInt(0, 1)];
            $true = self::TRUE[$this->chance() < self::WRONG ? $wrong : $grades[$pair]->value];
            $truths[$pair] = log($true / (1 - $true)) + self::PAIR_SPREAD * $this->normal();
        }
        $plateEffects = $counts = [];
        $life = $wear = array_fill(0, self::SURFACES * self::PLATES, 0);
        foreach ($life as &$prints) {
            $prints = $this->random->getInt(...self::LIFE);
        }
        unset($prints);
        $record = new OwnRecord();
        $kept = [[], [], []];
        for ($print = 1; $print <= self::PRINTS; ++$print) {
            if (0 === $print % self::LEARN_EVERY) {
                $record = new OwnRecord(array_map(static fn (array $class) => OwnRecord::learn(\array_slice($class, -OwnRecord::LATELY)), $kept));
            }
            $material = $this->random->getInt(0, self::MATERIALS - 1);
            [$plate, $expected] = $this->chosen($material, $grades, $counts);
            $pair = $material * self::SURFACES + intdiv($plate, self::PLATES);
            $effect = $plateEffects["$material/$plate"] ??= self::PLATE_SPREAD * $this->normal();
            $worn = self::WEAR * max(0.0, $wear[$plate] / $life[$plate] - 0.6);
            $holds = $this->chance() < 1 / (1 + exp(-($truths[$pair] + $effect - $worn)));
            $before = $expected->belief->mean();
            $class = OwnRecord::classOf($expected->ownWorth());
            if ($print > self::LEARNING) {
                $this->said[] = new Forecast($record->corrected($before, $expected->ownWorth()), $holds);
                $this->practice[] = new Forecast($grades[$pair]->prior()->mean(), $holds);
            }
            $kept[$class][] = new Forecast($before, $holds);
            $counts["$material/$plate"] ??= [0, 0];
            ++$counts["$material/$plate"][(int) $holds];
            if (++$wear[$plate] >= $life[$plate]) {
                // A new sheet: what was printed on the one before says nothing of it.
                [$wear[$plate], $life[$plate]] = [0, $this->random->getInt(...self::LIFE)];
                for ($each = 0; $each < self::MATERIALS; ++$each) {
                    unset($counts["$each/$plate"]);
                }
            }
        }
    }

    /**
     * @param array<int, Grade>              $grades by pair
     * @param array<string, array{int, int}> $counts failed and held, by material and plate
     *
     * @return array{int, Expectation} plate and what is expected of it
     */
    private function chosen(int $material, array $grades, array $counts): array
    {
        $expected = [];
        for ($plate = 0; $plate < self::SURFACES * self::PLATES; ++$plate) {
            $surface = intdiv($plate, self::PLATES);
            $evidence = [];
            for ($other = $surface * self::PLATES; $other < ($surface + 1) * self::PLATES; ++$other) {
                [$failed, $held] = $counts["$material/$other"] ?? [0, 0];
                if ($failed + $held > 0) {
                    $likeness = $other === $plate ? $this->here : $this->elsewhere;
                    $weight = $likeness->weight();
                    $evidence[] = new Evidence($likeness, $held, $held + $failed, $weight * $held, $weight * $failed);
                }
            }
            $expected[$plate] = Expectation::of($grades[$material * self::SURFACES + $surface], 0.0, $evidence);
        }
        $best = $this->random->getInt(0, \count($expected) - 1);
        if ($this->chance() >= self::OTHERWISE) {
            $means = array_map(static fn (Expectation $each): float => $each->belief->mean(), $expected);
            $best = (int) array_search(max($means), $means, true);
        }

        return [$best, $expected[$best]];
    }

    private function chance(): float
    {
        return $this->random->getInt(0, self::FINE) / (self::FINE + 1);
    }

    /** Box and Muller 1958. */
    private function normal(): float
    {
        return sqrt(-2 * log(1 - $this->chance())) * cos(2 * \M_PI * $this->chance());
    }
}
