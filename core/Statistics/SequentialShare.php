<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * Failures among runs that are looked at one by one: with how many a share of successes is shown to reach what is
 * required, and with how many to miss it. Each side spends its error over the looks ({@see ErrorSpending}) by the exact law of
 * the count, as if the other side did not stop the runs.
 */
final class SequentialShare
{
    /** @var array<string, self> */
    private static array $known = [];

    /**
     * @param array<int, int> $mostForYes  failures with which it is shown, by the number of runs; −1: with none
     * @param array<int, int> $fewestForNo failures with which it is refuted; more than the runs: with none
     */
    private function __construct(public readonly array $mostForYes, public readonly array $fewestForNo)
    {
    }

    /**
     * @param int $most runs at which the looking ends
     *
     * @throws InvalidArgument if there is no run, or a share is not strictly between 0 and 1
     */
    public static function afterEach(int $most, float $required, float $error): self
    {
        self::check($most, $required, $error);

        return self::$known["$most/$required/$error"] ??= new self(
            self::spend($most, 1 - $required, $error, false),
            self::spend($most, 1 - $required, $error, true),
        );
    }

    /**
     * One look after $runs runs, by the exact bounds of Clopper & Pearson (1934).
     *
     * @throws InvalidArgument if there is no run, or a share is not strictly between 0 and 1
     */
    public static function once(int $runs, float $required, float $error): self
    {
        self::check($runs, $required, $error);

        return self::$known["once/$runs/$required/$error"] ??= self::oneLook($runs, new Binomial($runs, 1 - $required), $error);
    }

    /** The same, passed with no more failures than a plan allows. */
    public function allowing(int $failures): self
    {
        return new self(array_map(static fn (int $most): int => min($most, $failures), $this->mostForYes), $this->fewestForNo);
    }

    /**
     * The chances to be decided at each look if each run succeeds with a given chance.
     *
     * @return array<int, array{yes: float, no: float}>
     */
    public function chances(float $success): array
    {
        $chances = [];
        $open = [1.0];
        $runs = 0;
        foreach ($this->mostForYes as $k => $yes) {
            for (; $runs < $k; ++$runs) {
                $open = self::oneMore($open, 1 - $success);
            }
            $chances[$k] = ['yes' => 0.0, 'no' => 0.0];
            foreach ($open as $failures => $chance) {
                $side = $failures <= $yes ? 'yes' : ($failures >= $this->fewestForNo[$k] ? 'no' : null);
                if (null !== $side) {
                    $chances[$k][$side] += $chance;
                    $open[$failures] = 0.0;
                }
            }
        }

        return $chances;
    }

    /** @throws InvalidArgument */
    private static function check(int $runs, float $required, float $error): void
    {
        if ($runs < 1) {
            throw InvalidArgument::tooFew($runs, 1);
        }
        foreach ([$required, $error] as $share) {
            ($share > 0 && $share < 1) || throw InvalidArgument::probability($share);
        }
    }

    private static function oneLook(int $runs, Binomial $failures, float $error): self
    {
        // The tiny allowance keeps an exact tie from costing a run through rounding.
        $allowed = $error * (1 + 1e-12);
        $yes = -1;
        while ($yes < $runs && $failures->cdf($yes + 1) <= $allowed) {
            ++$yes;
        }
        $no = $runs + 1;
        while ($no > 0 && 1 - $failures->cdf($no - 2) <= $allowed) {
            --$no;
        }

        return new self([$runs => $yes], [$runs => $no]);
    }

    /**
     * @param bool $many whether many failures stop, or few
     *
     * @return array<int, int>
     */
    private static function spend(int $most, float $failing, float $error, bool $many): array
    {
        $bounds = [];
        $open = [1.0];
        $spent = 0.0;
        for ($k = 1; $k <= $most; ++$k) {
            $open = self::oneMore($open, $failing);
            $allowed = ErrorSpending::spent($error, $k, $most) * (1 + 1e-12);
            $bound = $many ? $k + 1 : -1;
            while (true) {
                $next = $bound + ($many ? -1 : 1);
                if ($next < 0 || $next > $k || $spent + $open[$next] > $allowed) {
                    break;
                }
                $spent += $open[$next];
                $open[$next] = 0.0;
                $bound = $next;
            }
            $bounds[$k] = $bound;
        }

        return $bounds;
    }

    /**
     * @param array<int, float> $open chances of so many failures with nothing decided, from none on
     *
     * @return array<int, float>
     */
    private static function oneMore(array $open, float $failing): array
    {
        $next = [];
        for ($failures = 0; $failures <= \count($open); ++$failures) {
            $next[] = ($open[$failures] ?? 0.0) * (1 - $failing) + ($failures > 0 ? $open[$failures - 1] * $failing : 0.0);
        }

        return $next;
    }
}
