<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics;

/**
 * A cumulative sum over successes and failures (Page 1954): it grows by ln((1 − p₁)/(1 − p₀)) with each failure, falls by
 * ln(p₀/p₁) with each success, never below nought; at the limit the share has likely fallen from p₀ to p₁. While it is p₀, it
 * takes on average at least e^limit trials to a false alarm (Lorden 1971, from memory).
 */
final readonly class BernoulliCusum
{
    /** @param list<float> $path after each trial */
    private function __construct(
        public array $path,
        public float $limit,
        /** The trial that reached the limit first, from 0; null: none has. */
        public ?int $alarm,
    ) {
    }

    /**
     * @param list<bool> $successes in their order
     *
     * @throws InvalidArgument if not 0 < p₁ < p₀ < 1
     */
    public static function of(array $successes, float $good, float $bad, float $limit): self
    {
        ($bad > 0 && $bad < $good && $good < 1) || throw InvalidArgument::probability($bad);
        $failure = log((1 - $bad) / (1 - $good));
        $success = log($bad / $good);
        $sum = 0.0;
        $path = [];
        $alarm = null;
        foreach ($successes as $i => $succeeded) {
            $sum = max(0.0, $sum + ($succeeded ? $success : $failure));
            $path[] = $sum;
            $alarm ??= $sum >= $limit ? $i : null;
        }

        return new self($path, $limit, $alarm);
    }
}
