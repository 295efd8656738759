<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Test\Design;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** One thing to do next, in the order in which it helps. */
final readonly class NextStep
{
    private function __construct(public NextDo $do, public ?string $setup, public Sentence $sentence)
    {
    }

    /**
     * @param list<SetupJudgement>    $judged
     * @param string|null             $use     the one to use among those that pass
     * @param list<bool>              $against of each, whether it failed to hold against expectation
     * @param array<string, int|null> $newPlan runs that a new plan would need, of those that this plan cannot settle; null: no number helps
     * @param int                     $going   runs that go on
     * @param int                     $planned runs that are planned and not begun
     *
     * @return list<self>
     */
    public static function after(
        array $judged,
        ComparisonStatus $status,
        Design $design,
        ?string $use,
        array $against,
        array $newPlan,
        int $going,
        int $planned,
    ): array {
        $steps = [];
        if ($going > 0) {
            $steps[] = new self(NextDo::Finish, null, Sentence::of('next_step.finish', runs: Quantity::count($going)));
        }
        if ($planned > 0) {
            $steps[] = new self(NextDo::Run, null, Sentence::of('next_step.run', runs: Quantity::count($planned)));
        }
        $open = array_filter($judged, static fn (SetupJudgement $each): bool => Verdict::NotYetKnown === $each->verdict && null !== $each->runsLeft);
        // A plan of one look is looked at when its runs are done; one that is looked at after each run while nothing is open.
        if (ComparisonStatus::Running === $status && 0 === $going + $planned && (Design::Fixed === $design || [] === $open)) {
            $steps[] = new self(NextDo::Record, null, Sentence::of('next_step.record'));
        }
        foreach ($judged as $i => $each) {
            if ($against[$i] && Verdict::DoesNotHold === $each->verdict) {
                $steps[] = new self(NextDo::Wash, $each->setup, Sentence::of('next_step.wash', setup: $each->setup));
            }
        }
        if (null !== $use) {
            $steps[] = new self(NextDo::Propose, $use, Sentence::of('next_step.propose', setup: $use));
        }
        foreach ($newPlan as $setup => $runs) {
            if (null !== $runs) {
                $again = Sentence::of('next_step.plan_again', setup: (string) $setup, runs: Quantity::count($runs));
                $steps[] = new self(NextDo::PlanAgain, (string) $setup, $again);
            }
        }
        $refused = array_filter(
            $judged,
            static fn (SetupJudgement $each): bool => \in_array($each->verdict, [Verdict::DoesNotHold, Verdict::HoldsWillNotLetGo], true),
        );
        // What is not yet known is no reason to look elsewhere.
        if ([] !== $judged && \count($refused) === \count($judged)) {
            foreach ($judged as $each) {
                if (Verdict::HoldsWillNotLetGo === $each->verdict) {
                    $steps[] = new self(NextDo::LessGrip, $each->setup, Sentence::of('next_step.less_grip', setup: $each->setup));
                }
            }
            $steps[] = new self(NextDo::Choose, null, Sentence::of('next_step.choose'));
        }

        return $steps;
    }
}
