<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/** A Beta distribution: what is believed about a rate, worth a + b runs. */
final class Beta
{
    /** Three or four are the rule. */
    private const HALLEYS = 8;
    /** On log-odds, and as a share. */
    private const SETTLED = 1e-12;

    /** @var array<string, float> many candidates share a belief */
    private static array $quantiles = [];
    /** @var array<int|string, float> of the normal distribution, by share */
    private static array $deviates = [];

    /** @throws InvalidArgument if a shape is not positive */
    public function __construct(public readonly float $a, public readonly float $b)
    {
        $a > 0 || throw InvalidArgument::degreesOfFreedom($a);
        $b > 0 || throw InvalidArgument::degreesOfFreedom($b);
    }

    public function mean(): float
    {
        return $this->a / ($this->a + $this->b);
    }

    public function cdf(float $x): float
    {
        return SpecialFunctions::incompleteBeta($x, $this->a, $this->b);
    }

    /**
     * The rate below which the share p of the belief lies.
     *
     * @throws InvalidArgument if p is not strictly between 0 and 1
     */
    public function quantile(float $p): float
    {
        ($p > 0 && $p < 1) || throw InvalidArgument::probability($p);

        return self::$quantiles["$this->a/$this->b/$p"] ??= $this->steered($p) ?? Root::between(fn (float $x): float => $this->cdf($x) - $p, 0.0, 1.0);
    }

    /**
     * By Halley's steps on log-odds, from where a normal distribution has it: a third of what Brent's method takes.
     *
     * @return float|null null: they do not settle, as where the rate is nearer to an end than numbers are to each other
     */
    private function steered(float $p): ?float
    {
        $t = log($this->a / $this->b) + (self::$deviates["$p"] ??= Normal::quantile($p)) * sqrt(1 / $this->a + 1 / $this->b);
        for ($i = 0; $i < self::HALLEYS; ++$i) {
            $x = 1 / (1 + exp(-$t));
            $density = $x > self::SETTLED && $x < 1 - self::SETTLED ? $this->densityOnLogOdds($x) : 0.0;
            if ($density <= 0.0) {
                return null;
            }
            $off = $this->cdf($x) - $p;
            $newton = $off / $density;
            $step = $newton / min(1.5, max(0.5, 1 - $newton * ($this->a * (1 - $x) - $this->b * $x) / 2));
            $t -= $step;
            if (abs($step) <= self::SETTLED && abs($off) <= self::SETTLED) {
                return 1 / (1 + exp(-$t));
            }
        }

        return null;
    }

    private function densityOnLogOdds(float $x): float
    {
        return exp(SpecialFunctions::lnOneOverBeta($this->a, $this->b) + $this->a * log($x) + $this->b * log1p(-$x));
    }

    /**
     * The belief after further runs (conjugate update), which are worth so many successes and failures, not always whole (the
     * power prior of Ibrahim & Chen 2000, for runs that are merely similar).
     *
     * @throws InvalidArgument if one is below nought
     */
    public function with(float $successes, float $failures): self
    {
        if ($successes < 0 || $failures < 0) {
            throw InvalidArgument::counts($successes, $successes + $failures);
        }

        return new self($this->a + $successes, $this->b + $failures);
    }

    /**
     * The Beta distribution with this mean and mean of squares: exact for what is Beta, near for a product of independent
     * Betas (Fan 1991, from memory; the distribution of products is matched by its first two moments).
     *
     * @throws InvalidArgument if no distribution on 0 to 1 has these moments
     */
    public static function ofMoments(float $mean, float $meanOfSquares): self
    {
        $variance = $meanOfSquares - $mean ** 2;
        $worth = $variance > 0 ? $mean * (1 - $mean) / $variance - 1 : 0.0;

        return new self($mean * $worth, (1 - $mean) * $worth);
    }

    /**
     * Of the log-odds of the rate: ψ(a) − ψ(b) and ψ′(a) + ψ′(b) (the cumulants of the logarithm of a ratio of Gammas).
     *
     * @return array{float, float} mean and variance
     */
    public function logOdds(): array
    {
        return [
            SpecialFunctions::digamma($this->a) - SpecialFunctions::digamma($this->b),
            SpecialFunctions::trigamma($this->a) + SpecialFunctions::trigamma($this->b),
        ];
    }

    /**
     * The chance that all of n exchangeable parts succeed: ∫ pⁿ dBeta = Π (a+i)/(a+b+i), i = 0 … n−1.
     */
    public function allOf(int $n): float
    {
        $chance = 1.0;
        for ($i = 0; $i < $n; ++$i) {
            $chance *= ($this->a + $i) / ($this->a + $this->b + $i);
        }

        return $chance;
    }
}
