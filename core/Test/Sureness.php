<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** How sure an answer has to be, and what a plan is made of for it; everything can be changed afterwards. */
enum Sureness: string
{
    /** Whether it holds more often than not. */
    case Look = 'look';
    /** Enough to use it. */
    case Use = 'use';
    /** Enough for a profile. */
    case Profile = 'profile';

    /** Of the runs that have to succeed. */
    public function share(): float
    {
        return match ($this) {
            self::Look => 0.5,
            self::Use => UsualPlan::SHARE,
            self::Profile => 0.9,
        };
    }

    /** A first look is one look; what costs more may end as soon as it is clear. */
    public function design(): Design
    {
        return self::Look === $this ? Design::Fixed : Design::Adaptive;
    }

    public function criterion(bool $pulls): Criterion
    {
        return UsualPlan::criterion($pulls);
    }

    /**
     * By counts the fewest that show the share without a failure, ⌈ln 0.05 / ln R⌉ (success run, 95 % confidence); by pulls
     * those of the usual plan, or five of each kind for a first look, the fewest that show on which side the middle one lies.
     */
    public function runs(bool $pulls): int
    {
        return match (true) {
            $pulls && self::Look === $this => 10,
            $pulls && self::Use === $this => UsualPlan::RUNS_PER_SETUP,
            default => PullRule::Share->fewest($this->share(), ProofPlan::ERROR),
        };
    }

    /** Half of so many runs, so that hold and release are seen alike. */
    public static function hotOf(int $runs, bool $pulls): int
    {
        return $pulls ? intdiv($runs + 1, 2) : 0;
    }

    public function words(): Sentence
    {
        return Sentence::of('sureness.'.$this->value);
    }

    /** @return array{float, float} reliability and confidence of the profile that so many runs without a failure carry; one of those in common use */
    public function profile(): array
    {
        return match ($this) {
            self::Look, self::Use => [0.8, 0.9],
            self::Profile => [0.9, 0.95],
        };
    }

    /** What it asks, in runs, and for which profile that is enough. */
    public function asks(bool $pulls): Sentence
    {
        [$reliability, $confidence] = array_map(static fn (float $share): Quantity => Quantity::number(100 * $share, 1), $this->profile());

        return Sentence::of(
            'sureness.'.$this->value.'_asks',
            runs: Quantity::count($this->runs($pulls)),
            share: Quantity::share($this->share()),
            reliability: $reliability,
            confidence: $confidence,
        );
    }
}
