<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Judge\Method\GamesHowellPairs;
use Sitzplatz\Judge\Method\PairLine;
use Sitzplatz\Statistics\Equivalence;
use Sitzplatz\Statistics\InvalidArgument;
use Sitzplatz\Test\Limits;
use Sitzplatz\Test\Measure;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Whether two setups differ, and whether that matters: the interval of their difference (Games & Howell) against nothing and
 * against the least difference that matters, and two one-sided tests for "alike" (Schuirmann 1987). What cannot be told is
 * never called alike.
 */
final readonly class Difference
{
    /** Of the force that a limit asks for; ours: half of it would already be another verdict for most. */
    private const OF_LIMIT = 0.25;
    /** Of a lift without a limit, mm: what practice calls a good one (trade notes, section 8). */
    private const LIFT_MM = 0.1;
    /** A step of the bed, °C, as practice takes them (trade notes, section 7). */
    private const STEP_C = 5.0;
    private const ALPHA = 0.05;

    private function __construct(
        public Measure $measure,
        public string $a,
        public string $b,
        /** b less a, in the unit of the measure. */
        public float $difference,
        public Meaning $meaning,
        /** The least that matters, in the unit of the measure. */
        public float $matters,
        /** That they differ by less than what matters; null: it cannot be had. */
        public ?float $alikeP,
        public Sentence $sentence,
    ) {
    }

    /**
     * @return list<self> of every pair whose difference is known, those that matter first
     */
    public static function among(ComparisonJudgement $judged, Limits $limits): array
    {
        $found = [];
        foreach ($judged->measures as $comparison) {
            $measure = $comparison->measure;
            $matters = $measure instanceof Measure ? self::matters($measure, $limits) : null;
            if (!$measure instanceof Measure || null === $matters) {
                continue;
            }
            $samples = [];
            foreach ($comparison->setups as $setup) {
                $samples[$setup->setup] = $setup->sample();
            }
            foreach ($comparison->answers[GamesHowellPairs::KEY]->pairs as $pair) {
                [$a, $b] = [$samples[$pair->a] ?? null, $samples[$pair->b] ?? null];
                if (null === $pair->difference || null === $pair->interval || null === $a || null === $b) {
                    continue;
                }
                try {
                    $alike = Equivalence::p($a, $b, $matters);
                } catch (InvalidArgument) {
                    $alike = null;
                }
                $found[] = self::ofPair($measure, $pair, $matters, $alike);
            }
        }
        usort($found, static fn (self $a, self $b): int => $a->meaning->rank() <=> $b->meaning->rank());

        return $found;
    }

    /** As the plan says, or as usual, in the unit of the measure; null: nobody says from when on a difference of it matters. */
    public static function matters(Measure $measure, Limits $limits): ?float
    {
        $limit = match ($measure) {
            Measure::PullHot => $limits->hotPullAtLeastN,
            Measure::PullCold => $limits->coldPullAtMostN,
            default => null,
        };

        $said = match ($measure) {
            Measure::PullHot, Measure::PullCold => $limits->pullMattersN,
            Measure::Lift => $limits->liftMattersMm,
            default => null,
        };

        return match (true) {
            null !== $said && $said > 0 => $said,
            null !== $limit => $limit > 0 ? self::OF_LIMIT * $limit : null,
            Measure::Lift === $measure => null === $limits->liftAtMostMm || $limits->liftAtMostMm <= 0 ? self::LIFT_MM : $limits->liftAtMostMm / 2,
            Measure::ReleaseTemperature === $measure => self::STEP_C,
            default => null,
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'measure' => $this->measure->value,
            'a' => $this->a,
            'b' => $this->b,
            'meaning' => $this->meaning->value,
            'alikeP' => $this->alikeP,
            'sentence' => $this->sentence,
        ];
    }

    private static function ofPair(Measure $measure, PairLine $pair, float $matters, ?float $alike): self
    {
        $difference = (float) $pair->difference;
        [$low, $high] = $pair->interval?->toArray() ?? [-\INF, \INF];
        $real = $low > 0 || $high < 0;
        $within = null !== $alike && $alike < self::ALPHA;
        $meaning = match (true) {
            $low >= $matters || $high <= -$matters => Meaning::Matters,
            $real && $within => Meaning::TooSmall,
            $real => Meaning::Real,
            $within => Meaning::Alike,
            default => Meaning::CannotTell,
        };
        [$near, $far] = $difference < 0 ? [-$high, -$low] : [$low, $high];

        return new self($measure, $pair->a, $pair->b, $difference, $meaning, $matters, $alike, Sentence::of(
            'difference.'.$meaning->value,
            measure: $measure->words(),
            a: $difference < 0 ? $pair->b : $pair->a,
            b: $difference < 0 ? $pair->a : $pair->b,
            by: self::quantity($measure, abs($difference)),
            near: self::quantity($measure, $near),
            far: self::quantity($measure, $far),
            matters: self::quantity($measure, $matters),
        ));
    }

    private static function quantity(Measure $measure, float $value): Quantity
    {
        return match ($measure) {
            Measure::Lift => Quantity::millimetres($value),
            Measure::ReleaseTemperature => Quantity::kelvin($value),
            default => Quantity::newtons($value),
        };
    }
}
