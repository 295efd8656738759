<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Internal;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\ShareAgainstRequired;
use Sitzplatz\Judge\UnitValue;
use Sitzplatz\Judge\ValueAgainstLimit;
use Sitzplatz\Test\RunOutcome;

/**
 * How a question is likely to be answered by the runs to come: drawn from what is known of the setup (for pulls the mean and
 * spread by Student's posterior without prior knowledge, for shares Jeffreys' Beta posterior), judged by the rule of the plan.
 * The same readings give the same figure: the draws are seeded.
 */
final readonly class Future
{
    private const DRAWS = 300;
    private const SEED = 20_260_101;

    private function __construct(
        public float $yes,
        public float $no,
        /** Until it is settled or the plan ends. */
        public float $runs,
    ) {
    }

    /**
     * @param list<UnitValue>                              $values what is known
     * @param list<UnitValue>                              $kept   of these, what the plan judges; the rest only describes
     * @param bool                                         $logs   whether they are taken to be log-normal
     * @param \Closure(list<UnitValue>): ValueAgainstLimit $judge
     *
     * @return self|null null: two readings at least are needed, with some spread
     */
    public static function ofPulls(array $values, array $kept, int $toCome, bool $logs, \Closure $judge): ?self
    {
        $n = \count($values);
        if ($n < 2) {
            return null;
        }
        $step = max(array_map(static fn (UnitValue $each): float => $each->step, $values));
        $at = static fn (UnitValue $each): float => $logs ? log(ValueAgainstLimit::aboveNought($each)) : $each->value;
        $mean = array_sum(array_map($at, $values)) / $n;
        $squares = array_sum(array_map(static fn (UnitValue $each): float => ($at($each) - $mean) ** 2, $values));
        $squares = max($squares, ($n - 1) * $step * $step / 12 / ($logs ? exp(2 * $mean) : 1.0));
        $random = self::random();

        return self::of(static function () use ($n, $mean, $squares, $step, $random, $kept, $toCome, $logs, $judge): array {
            $chi = 0.0;
            for ($i = 1; $i < $n; ++$i) {
                $chi += Scatter::normal($random) ** 2;
            }
            $sd = sqrt($squares / max($chi, 1e-12));
            $centre = $mean + $sd / sqrt($n) * Scatter::normal($random);
            $path = $kept;
            for ($i = 0; $i < $toCome; ++$i) {
                $drawn = $centre + $sd * Scatter::normal($random);
                $pull = $logs ? exp($drawn) : max(0.0, $drawn);
                $path[] = new UnitValue($step > 0 ? round($pull / $step) * $step : $pull, false, $step);
            }
            $judged = $judge($path);

            return [$judged->clears, ($judged->decidedAt ?? \count($path)) - \count($kept)];
        });
    }

    /**
     * @param list<RunOutcome>                                 $outcomes what is known
     * @param list<RunOutcome>                                 $kept     of these, what the plan judges
     * @param \Closure(list<RunOutcome>): ShareAgainstRequired $judge
     */
    public static function ofShare(array $outcomes, array $kept, int $toCome, \Closure $judge): self
    {
        $good = \count(array_filter($outcomes, static fn (RunOutcome $each): bool => RunOutcome::Passed === $each));
        $bad = \count(array_filter($outcomes, static fn (RunOutcome $each): bool => RunOutcome::Failed === $each));
        $random = self::random();

        return self::of(static function () use ($good, $bad, $random, $kept, $toCome, $judge): array {
            $a = self::gamma($good, $random);
            $b = self::gamma($bad, $random);
            $share = $a + $b > 0 ? $a / ($a + $b) : 0.5;
            $path = $kept;
            for ($i = 0; $i < $toCome; ++$i) {
                $path[] = Scatter::share($random) < $share ? RunOutcome::Passed : RunOutcome::Failed;
            }
            $judged = $judge($path);

            return [$judged->spoiled ? Answer::NotYet : $judged->reached, ($judged->decidedAt ?? \count($path)) - \count($kept)];
        });
    }

    public static function known(bool $yes): self
    {
        return new self($yes ? 1.0 : 0.0, $yes ? 0.0 : 1.0, 0.0);
    }

    /** @param \Closure(): array{Answer, int} $draw */
    private static function of(\Closure $draw): self
    {
        $yes = $no = $runs = 0;
        for ($i = 0; $i < self::DRAWS; ++$i) {
            [$answer, $used] = $draw();
            $yes += Answer::Yes === $answer ? 1 : 0;
            $no += Answer::No === $answer ? 1 : 0;
            $runs += max(0, $used);
        }

        return new self($yes / self::DRAWS, $no / self::DRAWS, $runs / self::DRAWS);
    }

    private static function random(): Randomizer
    {
        return new Randomizer(new Xoshiro256StarStar(self::SEED));
    }

    /** Γ(n + ½) for whole n: half the square of a normal number and n exponentials. */
    private static function gamma(int $n, Randomizer $random): float
    {
        $sum = Scatter::normal($random) ** 2 / 2;
        for ($i = 0; $i < $n; ++$i) {
            $sum -= log(1 - Scatter::share($random));
        }

        return $sum;
    }
}
