<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Statistics\BernoulliCusum;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Whether prints for use with a profile hold and come off as often as was accepted, watched print by print. It is held
 * against a share that fails twice as often. How rarely the watch is wrong and how soon it is right, docs/statistics.md says.
 */
final readonly class Drift
{
    /** Where the sum says that it has drifted (ours, from the simulation in docs/statistics.md). */
    public const LIMIT = 4.0;
    /** A profile may be accepted for more than a print can ever show. */
    private const SUREST = 0.98;

    private function __construct(
        /** The share that was accepted. */
        public float $accepted,
        /** The share that it is held against. */
        public float $worse,
        public int $prints,
        public BernoulliCusum $held,
        /** Of those of which it is known how they came off. */
        public BernoulliCusum $released,
        /** Since which print, from 0, in the order of all; null: it has not drifted. */
        public ?int $since,
        /** In what; null: it has not drifted. */
        public ?DriftKind $kind,
        public Sentence $sentence,
    ) {
    }

    /** @param list<JobAnswer> $answers in the order of the prints */
    public static function of(array $answers, float $reliability): self
    {
        $accepted = min(self::SUREST, $reliability);
        $worse = max($accepted / 2, 1 - 2 * (1 - $accepted));
        $known = array_filter($answers, static fn (JobAnswer $answer): bool => null !== $answer->effort);
        $held = BernoulliCusum::of(array_map(static fn (JobAnswer $answer): bool => $answer->outcome->held(), $answers), $accepted, $worse, self::LIMIT);
        $released = BernoulliCusum::of(
            array_values(array_map(static fn (JobAnswer $answer): bool => $answer->letGo(), $known)),
            $accepted,
            $worse,
            self::LIMIT,
        );
        $heldSince = $held->alarm;
        $releasedSince = null === $released->alarm ? null : array_keys($known)[$released->alarm];
        $kind = match (true) {
            null === $heldSince && null === $releasedSince => null,
            null === $releasedSince, null !== $heldSince && $heldSince <= $releasedSince => DriftKind::Hold,
            default => DriftKind::Release,
        };

        return new self(
            $accepted,
            $worse,
            \count($answers),
            $held,
            $released,
            DriftKind::Hold === $kind ? $heldSince : $releasedSince,
            $kind,
            Sentence::of(
                null === $kind ? 'drift.steady' : 'drift.'.$kind->value,
                prints: Quantity::count(\count($answers)),
                held: Quantity::count(\count(array_filter($answers, static fn (JobAnswer $answer): bool => $answer->outcome->held()))),
                known: Quantity::count(\count($known)),
                clean: Quantity::count(\count(array_filter($known, static fn (JobAnswer $answer): bool => $answer->letGo()))),
                accepted: Quantity::share($accepted),
                worse: Quantity::share($worse),
            ),
        );
    }
}
