<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Statistics\BernoulliCusum;
use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Statistics\SelfStartingCusum;
use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Whether prints for use with a profile hold and come off as often and as easily as was accepted, and whether later runs are
 * pulled off with the force of its evidence; watched one by one. Shares are held against one that fails twice as often. How
 * rarely the watch is wrong and how soon it is right, docs/statistics.md says.
 */
final readonly class Drift
{
    /** Where a sum says that it has drifted (ours, from the simulation in docs/statistics.md). */
    public const LIMIT = 4.0;
    /** A profile may be accepted for more than a print can ever show. */
    private const SUREST = 0.98;
    /** Fewer pulls say too little of their spread (ours). */
    private const FEWEST_PULLS = 4;

    /** @param non-empty-list<DriftChart> $charts holding and letting go first */
    private function __construct(
        /** The share that was accepted. */
        public float $accepted,
        /** The share that it is held against. */
        public float $worse,
        public array $charts,
        /** In what it has drifted first; null: in nothing. */
        public ?DriftKind $kind,
        /** When that was shown, ISO 8601. */
        public ?string $on,
        public Sentence $sentence,
    ) {
    }

    /**
     * @param list<array{answer: JobAnswer, at: string}> $prints  in their order; when, ISO 8601
     * @param Effort|null                                $usually as {@see usualEffort} has it
     * @param list<PullWatch>                            $pulls
     *
     * @throws InvalidArgument if the pulls of the evidence are none
     */
    public static function of(array $prints, float $reliability, ?Effort $usually = null, array $pulls = []): self
    {
        $accepted = min(self::SUREST, $reliability);
        $worse = max($accepted / 2, 1 - 2 * (1 - $accepted));
        $off = array_values(array_filter($prints, static fn (array $print): bool => null !== $print['answer']->effort));
        $charts = [
            self::share(DriftKind::Hold, $prints, static fn (JobAnswer $answer): bool => $answer->outcome->held(), [$accepted, $worse]),
            self::share(DriftKind::Release, $off, static fn (JobAnswer $answer): bool => $answer->letGo(), [$accepted, $worse]),
        ];
        if (null !== $usually && [] !== $off) {
            $charts[] = self::share(
                DriftKind::Effort,
                $off,
                static fn (JobAnswer $answer): bool => null !== $answer->effort && $answer->effort->value <= $usually->value,
                [$accepted, $worse],
                ['usually' => $usually->words()],
            );
        }
        foreach ($pulls as $pull) {
            if ([] !== $pull->since && $pull->readings >= self::FEWEST_PULLS && $pull->sdN > 0) {
                $charts[] = self::pulled($pull);
            }
        }
        $first = null;
        foreach ($charts as $chart) {
            if (null !== $chart->drifted && (null === $first || $chart->drifted < $first->drifted)) {
                $first = $chart;
            }
        }
        $good = static fn (array $of, \Closure $is): int => \count(array_filter($of, static fn (array $print): bool => $is($print['answer'])));

        return new self($accepted, $worse, $charts, $first?->kind, $first?->drifted, $first->sentence ?? Sentence::of(
            'drift.steady',
            prints: Quantity::count(\count($prints)),
            held: Quantity::count($good($prints, static fn (JobAnswer $answer): bool => $answer->outcome->held())),
            known: Quantity::count(\count($off)),
            clean: Quantity::count($good($off, static fn (JobAnswer $answer): bool => $answer->letGo())),
            accepted: Quantity::share($accepted),
        ));
    }

    /**
     * How easily a part comes off at most times, as surely as was asked of the profile: the least grade that is not passed with
     * the accepted reliability, by the lower bound of Clopper & Pearson at the confidence of its plan.
     *
     * @param list<Effort> $evidence of the runs that it was accepted for
     *
     * @return Effort|null null: flexing is usual or nothing is that sure; then whether it comes off cleanly says all there is to say
     *
     * @throws InvalidArgument if the confidence is none
     */
    public static function usualEffort(array $evidence, float $reliability, float $confidence): ?Effort
    {
        foreach ([Effort::Loose, Effort::Finger] as $grade) {
            $as = \count(array_filter($evidence, static fn (Effort $effort): bool => $effort->value <= $grade->value));
            // One-sided: the lower end of a two-sided interval that leaves twice as much out.
            if ([] !== $evidence && ClopperPearson::interval($as, \count($evidence), 2 * $confidence - 1)->low >= min(self::SUREST, $reliability)) {
                return $grade;
            }
        }

        return null;
    }

    /**
     * @param list<array{answer: JobAnswer, at: string}> $prints
     * @param \Closure(JobAnswer): bool                  $good
     * @param array{float, float}                        $shares accepted, and held against
     * @param array<string, Sentence>                    $more   of its sentence
     */
    private static function share(DriftKind $kind, array $prints, \Closure $good, array $shares, array $more = []): DriftChart
    {
        [$accepted, $worse] = $shares;
        $were = array_map(static fn (array $print): bool => $good($print['answer']), $prints);
        $sum = BernoulliCusum::of($were, $accepted, $worse, self::LIMIT);

        return new DriftChart($kind, $sum->path, null === $sum->alarm ? null : $prints[$sum->alarm]['at'], Sentence::of(
            'drift.'.$kind->value.(null === $sum->alarm ? '_steady' : ''),
            ...$more,
            prints: Quantity::count(\count($were)),
            good: Quantity::count(\count(array_filter($were))),
            accepted: Quantity::share($accepted),
            worse: Quantity::share($worse),
        ));
    }

    /** @throws InvalidArgument if the pulls of the evidence are none */
    private static function pulled(PullWatch $pull): DriftChart
    {
        $kind = $pull->hot ? DriftKind::HotPull : DriftKind::ColdPull;
        $since = array_column($pull->since, 'n');
        $sum = SelfStartingCusum::of($pull->readings, $pull->meanN, $pull->sdN, $since, !$pull->hot, self::LIMIT);

        return new DriftChart($kind, $sum->path, null === $sum->alarm ? null : $pull->since[$sum->alarm]['at'], Sentence::of(
            'drift.'.$kind->value.(null === $sum->alarm ? '_steady' : ''),
            pulls: Quantity::count(\count($since)),
            mean: Quantity::newtons(array_sum($since) / max(1, \count($since))),
            was: Quantity::newtons($pull->meanN),
        ));
    }
}
