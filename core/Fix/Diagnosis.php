<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Words\Sentence;

/**
 * What is wrong, and what to try next. One cause is taken to be at work. What practice holds of how often each is one, worth
 * ten cases, and the cases of this shop make the shares; what is known here moves them; each trial that did not help moves
 * them by Bayes' rule. The order is by the chance that a trial ends it, against its minutes, which for one fault and trials
 * that cost the same whenever they are made has the least expected cost (Kadane & Simon 1977; Heckerman, Breese &
 * Rommelse 1995, from memory).
 */
final readonly class Diagnosis
{
    /** Cases that practice is worth (ours). */
    private const PRACTICE_CASES = 10.0;
    /** What it costs to see whether a trial has helped: finding tools, waiting for the first layers of the next print. */
    private const FIXED_EFFORT_MINUTES = 20.0;
    /** None of what is known to practice (ours). */
    private const SOMETHING_ELSE = 0.03;

    /** @param list<Suspect> $suspects what to try next first, what was tried last */
    private function __construct(
        public array $suspects,
        /** That it is none of these. */
        public float $somethingElse,
        /** What it takes on average until it is over, in this order; where nothing helps all of it is tried. */
        public float $expectedMinutes,
    ) {
    }

    /**
     * @param list<Cause>        $known of the symptom
     * @param list<string>       $tried ids of causes whose trial did not help, in any order
     * @param array<string, int> $here  how often each was the cause of the symptom in this shop, by id
     */
    public static function of(array $known, Circumstances $circumstances, array $tried, array $here): self
    {
        $often = array_sum(array_map(static fn (Cause $cause): float => $cause->often, $known));
        $weights = $hints = [];
        foreach ($known as $cause) {
            $hints[$cause->id] = Hints::of($cause->id, $circumstances);
            $weights[$cause->id] = (self::PRACTICE_CASES * $cause->often / $often + ($here[$cause->id] ?? 0))
                * ($hints[$cause->id]->factor ?? 1.0) * ($cause->onSurface[$circumstances->surface->id ?? ''] ?? 1.0)
                * ($cause->where[$circumstances->where->value ?? ''] ?? 1.0);
        }
        $else = self::SOMETHING_ELSE / (1 - self::SOMETHING_ELSE) * array_sum($weights);
        foreach ($known as $cause) {
            $weights[$cause->id] *= \in_array($cause->id, $tried, true) ? 1 - $cause->helps : 1.0;
        }
        $all = array_sum($weights) + $else;
        $suspects = [];
        foreach ($known as $cause) {
            if ($weights[$cause->id] > 0.0) {
                $suspects[] = new Suspect(
                    $cause,
                    $weights[$cause->id] / $all,
                    $hints[$cause->id]->why ?? self::place($cause, $circumstances->where),
                    $here[$cause->id] ?? 0,
                    \in_array($cause->id, $tried, true),
                );
            }
        }
        usort($suspects, static fn (Suspect $a, Suspect $b): int => [$a->tried, -self::worth($a)] <=> [$b->tried, -self::worth($b)]);

        return new self($suspects, $all > 0.0 ? $else / $all : 1.0, self::minutes($suspects));
    }

    /** That it fails where this cause fails. */
    private static function place(Cause $cause, ?FailedWhere $where): ?Sentence
    {
        return null !== $where && ($cause->where[$where->value] ?? 1.0) > 1.0 ? $where->words() : null;
    }

    /** What to try now; null: everything was. */
    public function next(): ?Suspect
    {
        return isset($this->suspects[0]) && !$this->suspects[0]->tried ? $this->suspects[0] : null;
    }

    /**
     * What trials in this order take on average until one helps, min.
     *
     * @param list<Suspect> $order
     */
    public static function minutes(array $order): float
    {
        $minutes = 0.0;
        $goesOn = 1.0;
        foreach ($order as $suspect) {
            if (!$suspect->tried) {
                $minutes += $goesOn * self::cost($suspect);
                $goesOn -= $suspect->share * $suspect->cause->helps;
            }
        }

        return $minutes;
    }

    /** The chance that it ends it, against what it takes. */
    private static function worth(Suspect $suspect): float
    {
        return $suspect->share * $suspect->cause->helps / self::cost($suspect);
    }

    private static function cost(Suspect $suspect): float
    {
        return $suspect->cause->minutes + self::FIXED_EFFORT_MINUTES;
    }
}
