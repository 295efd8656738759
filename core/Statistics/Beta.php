<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

use Sitzplatz\Statistics\Internal\SpecialFunctions;

/** A Beta distribution: what is believed about a rate, worth a + b runs. */
final class Beta
{
    /** @var array<string, float> many candidates share a belief */
    private static array $quantiles = [];

    /** @throws InvalidArgument if a shape is not positive */
    public function __construct(public readonly float $a, public readonly float $b)
    {
        foreach ([$a, $b] as $shape) {
            if (!($shape > 0)) {
                throw InvalidArgument::degreesOfFreedom($shape);
            }
        }
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
        if (!($p > 0 && $p < 1)) {
            throw InvalidArgument::probability($p);
        }

        return self::$quantiles["$this->a/$this->b/$p"] ??= Root::between(fn (float $x): float => $this->cdf($x) - $p, 0.0, 1.0);
    }

    /**
     * The belief after further runs (conjugate update), each counted with a weight from 0 to 1 (the power prior of
     * Ibrahim & Chen 2000, for runs that are merely similar).
     *
     * @throws InvalidArgument if the counts do not fit
     */
    public function after(int $successes, int $trials, float $weight = 1.0): self
    {
        if ($successes < 0 || $successes > $trials) {
            throw InvalidArgument::counts($successes, $trials);
        }

        return new self($this->a + $weight * $successes, $this->b + $weight * ($trials - $successes));
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
