<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/** By how much effects differ, and what is expected of measures before anything was printed: all on log-odds. */
final readonly class Spreads
{
    /** A sum is taken as it is, give or take two fifths of it (ours). */
    private const SUM = [1.0, 0.4];
    /** What was reckoned for holding says little of coming off, and nobody knows which way (ours). */
    private const OF_THE_OTHER = [0.0, 0.4];
    /** Twice the parts, or twice the time, costs about as much as practice says of full plates and long prints (ours). */
    public const PARTS = [0.4, 0.25];
    private const TIME = [0.2, 0.2];
    /** Where no grade is known at all (ours). */
    private const UNGRADED = [0.0, 1.0];
    /** What is expected counts for as many effects as this. */
    private const EXPECTED_WORTH = 2.0;

    /** @param array<string, float> $ofEffects standard deviation by the value of an {@see EffectKind} */
    private function __construct(public Success $of, public array $ofEffects)
    {
    }

    /** @param list<EffectKind> $without that are taken to have no effect */
    public static function usual(Success $of = Success::Held, array $without = []): self
    {
        $spreads = [];
        foreach (EffectKind::cases() as $kind) {
            if (!\in_array($kind, $without, true)) {
                $spreads[$kind->value] = $kind->usualSpread();
            }
        }

        return new self($of, $spreads);
    }

    /**
     * As somebody kept them.
     *
     * @param array<string, float> $ofEffects
     */
    public static function kept(Success $of, array $ofEffects): self
    {
        return new self($of, $ofEffects);
    }

    public function hasEffect(string $kind): bool
    {
        return isset($this->ofEffects[$kind]);
    }

    public function ofEffect(string $kind): float
    {
        return $this->ofEffects[$kind];
    }

    /** @return array{float, float} mean and standard deviation of what one of it is worth */
    public function ofMeasure(string $name): array
    {
        return match (true) {
            Situation::PARTS === $name => self::PARTS,
            Situation::TIME === $name => self::TIME,
            Situation::UNGRADED === $name => self::UNGRADED,
            Success::Held === $this->of || str_starts_with($name, Situation::OF_RELEASE) => self::SUM,
            default => self::OF_THE_OTHER,
        };
    }

    /**
     * What most likely gave these answers, under a weak belief in what was expected: one step towards it (MacKay's fixed point of Laplace's
     * marginal likelihood, 1992).
     *
     * @param array<string, array{int, float, float}> $learned of each kind: effects, the sum of their squares, and of their variances
     */
    public function after(array $learned): self
    {
        $spreads = $this->ofEffects;
        foreach ($learned as $kind => [$count, $squares, $variances]) {
            $shown = $count - $variances / $spreads[$kind] ** 2;
            $expected = EffectKind::from($kind)->usualSpread() ** 2;
            $spreads[$kind] = sqrt((self::EXPECTED_WORTH * $expected + $squares) / (self::EXPECTED_WORTH + max(0.0, $shown)));
        }

        return new self($this->of, $spreads);
    }
}
