<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Expectation;

use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Standing;
use Sitzplatz\Statistics\Beta;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Statistics\ShareOfBoth;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * How many own runs it takes until something is known, looked at after each: in half of all cases so many do, and in four of
 * five so many, if things are as they are believed to be (the two shares are our own choice).
 */
final readonly class RunsToTell
{
    private const LIKELY = 0.5;
    private const NEARLY = 0.8;
    private const HARDLY = 1e-6;
    /** With 90 %. */
    private const Z90 = 1.2815515655446004;
    /** Beyond this nobody tests two plates for one job (our own choice). */
    public const MOST = 20;

    private function __construct(
        public int $from,
        /** Null: more than {@see MOST}. */
        public ?int $to,
    ) {
    }

    /** Until a grade of practice is confirmed or refuted by {@see Grade::standing}; null: hardly within {@see MOST}. */
    public static function ofGrade(Expectation $expectation): ?self
    {
        static $known = [];
        [$grade, $belief] = [$expectation->grade, $expectation->prediction->chance];
        $key = $grade->value.'/'.round($belief->mean, 3).'/'.round($belief->variance, 3);
        if (!\array_key_exists($key, $known)) {
            $known[$key] = self::until([$belief->asBeta()], static fn (array $held, int $runs): bool => Standing::Open !== $grade->standing($held[0], $runs));
        }

        return $known[$key];
    }

    /** Until two are told apart, with a run of each in turn; null: hardly within {@see MOST}. */
    public static function apart(ShareOfBoth $one, ShareOfBoth $other): ?self
    {
        [$one, $other] = [self::belief($one), self::belief($other)];

        return self::until([$one, $other], static function (array $held, int $runs) use ($one, $other): bool {
            [$mean, $variance] = $one->with($held[0], $runs - $held[0])->logOdds();
            [$otherMean, $otherVariance] = $other->with($held[1], $runs - $held[1])->logOdds();

            return abs($mean - $otherMean) >= self::Z90 * sqrt($variance + $otherVariance);
        });
    }

    private static function belief(ShareOfBoth $both): Beta
    {
        [$one, $other] = [$both->one, $both->other];
        $moment = static fn (int $of): float => LogisticNormal::allOf([[$one, $of]]) * LogisticNormal::allOf([[$other, $of]]);

        return Beta::ofMoments($moment(1), $moment(2));
    }

    /** Until both are known. */
    public function and(self $other): self
    {
        return new self(max($this->from, $other->from), null === $this->to || null === $other->to ? null : max($this->to, $other->to));
    }

    public function words(): Sentence
    {
        return Sentence::of(
            match (true) {
                null === $this->to => 'runs.from',
                $this->to === $this->from => 'runs.exactly',
                default => 'runs.range',
            },
            from: Quantity::count($this->from),
            to: Quantity::count($this->to ?? self::MOST),
        );
    }

    /**
     * Run by run of each, all that can come of them with its chance by what is believed; what is told stays told, as nobody
     * goes on then.
     *
     * @param non-empty-list<Beta>                      $beliefs
     * @param \Closure(non-empty-array<int>, int): bool $told    by how many of each held, of so many
     */
    private static function until(array $beliefs, \Closure $told): ?self
    {
        /** @var array<string, array{non-empty-array<int>, float}> $open successes of each, and the chance of it */
        $open = ['' => [array_fill(0, \count($beliefs), 0), 1.0]];
        $known = 0.0;
        $from = null;
        for ($runs = 1; $runs <= self::MOST; ++$runs) {
            foreach ($beliefs as $i => $belief) {
                $next = [];
                foreach ($open as [$held, $chance]) {
                    $succeeds = ($belief->a + $held[$i]) / ($belief->a + $belief->b + $runs - 1);
                    foreach ([[1, $succeeds], [0, 1 - $succeeds]] as [$more, $share]) {
                        $then = $held;
                        $then[$i] += $more;
                        $key = implode(',', $then);
                        $next[$key] = [$then, ($next[$key][1] ?? 0.0) + $chance * $share];
                    }
                }
                $open = $next;
            }
            foreach ($open as $key => [$held, $chance]) {
                // What hardly ever comes out so is not worth the sum.
                if ($chance < self::HARDLY) {
                    unset($open[$key]);
                } elseif ($told($held, $runs)) {
                    $known += $chance;
                    unset($open[$key]);
                }
            }
            $from ??= $known >= self::LIKELY ? $runs : null;
            if ($known >= self::NEARLY) {
                return new self($from ?? $runs, $runs);
            }
        }

        return null === $from ? null : new self($from, null);
    }
}
