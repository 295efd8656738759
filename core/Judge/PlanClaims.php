<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Design;
use Sitzplatz\Test\ProofPlan;
use Sitzplatz\Test\PullRule;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Where the rule of a plan errs more often than in one case of twenty, so that it is said where it is chosen. The shares are the
 * largest of `sitzplatz:simulate-verdicts` over both questions and all numbers of pulls (docs/statistics.md), rounded up.
 */
final class PlanClaims
{
    /** Largest share of false answers, by rule, by what goes wrong, at one look and after each run. */
    public const WRONG = [
        'share' => ['visits' => [0.07, 0.1]],
        'middle' => ['visits' => [0.07, 0.07]],
        'middle_of_logs' => ['not_logs' => [0.25, 0.19], 'visits' => [0.15, 0.16], 'weak_link' => [0.44, 0.33]],
        'mean' => ['tail' => [0.09, 0.12], 'weibull' => [0.05, 0.06], 'weak_link' => [0.2, 0.24]],
        'nearly_all' => ['tail' => [0.14, 0.16], 'visits' => [0.1, 0.1], 'weak_link' => [0.42, 0.46]],
    ];
    /** From here on it is said. */
    public const SAID_FROM = 0.055;

    /** @return list<Sentence> the rule of each question first, then what is said of it */
    public static function of(ProofPlan $plan): array
    {
        $sentences = [];
        foreach ([true, false] as $hold) {
            // Where no pull is asked for, runs are counted: by the rule of the share, with what breaks that.
            $byPulls = $plan->pullRule($hold);
            $rule = $byPulls ?? PullRule::Share;
            $name = null === $byPulls ? 'counts' : $rule->value;
            if (isset($sentences[$name])) {
                continue;
            }
            $sentences[$name] = [Sentence::of(
                'claim.'.$name,
                share: Quantity::share($rule->share($plan->share)),
                fewest: Quantity::count($rule->fewest($plan->share, $plan->error)),
            )];
            foreach (self::WRONG[$rule->value] as $fault => $wrong) {
                $most = $wrong[Design::Fixed === $plan->design ? 0 : 1];
                // Where visits are the unit, what they change is counted.
                if ($most >= self::SAID_FROM && ('visits' !== $fault || !$plan->byVisit)) {
                    $sentences[$name][] = Sentence::of('claim.wrong_'.$fault, wrong: Quantity::share($most), claimed: Quantity::share($plan->error));
                }
            }
        }

        return array_merge(...array_values($sentences));
    }
}
