<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Test\Completeness;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\ComparisonState;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Test\Life\Refusal;
use Sitzplatz\Test\Life\RunLife;
use Sitzplatz\Test\Life\RunState;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Test\Measure;
use Sitzplatz\Test\OnePersonShop;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Test\PlannedSetup;
use Sitzplatz\Test\PullKind;
use Sitzplatz\Test\PullSample;
use Sitzplatz\Test\PullTrace;
use Sitzplatz\Test\Reading;
use Sitzplatz\Test\RunDurations;
use Sitzplatz\Test\RunOrder;
use Sitzplatz\Test\RunSheet;
use Sitzplatz\Test\RunStep;
use Sitzplatz\Test\Taken;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Test\TimeEstimate;
use Sitzplatz\Test\UsualPlan;
use Sitzplatz\Test\VoidRule;
use Sitzplatz\Tests\Core\HoldsFigures;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Sentence;

/** Plans, run sheets and the lives of runs, over all that they can be. */
final class FiguresTest extends TestCase
{
    use HoldsFigures;
    use ReadsTheCatalogue;

    public function testPlansStayAsTheyAre(): void
    {
        $setups = [new PlannedSetup('a', 'P1'), new PlannedSetup('b', 'P2'), new PlannedSetup('c', 'P1'), new PlannedSetup('d', 'P4')];
        $durations = UsualPlan::durations();
        $figures = [
            'usual' => [(new \ReflectionClass(UsualPlan::class))->getConstants(), UsualPlan::piece(), $durations, UsualPlan::criterion(true), UsualPlan::criterion(false), UsualPlan::effortAtMost()],
            'of one person' => (new \ReflectionClass(OnePersonShop::class))->getConstants(),
        ];
        foreach ([[12, 6, 2], [5, 2, 2], [7, 0, 3], [4, 4, 4]] as [$runs, $hot, $visits]) {
            $order = RunOrder::draw($setups, $runs, $hot, 77, $visits);
            $figures["order $runs $hot $visits"] = $order->runs;
            $time = TimeEstimate::of($order, new RunDurations(4, 9, 31, 22, 5, 7));
            $figures["time $runs $hot $visits"] = [$time, $time->secondVisitSentence($order)];
            $figures["first $runs $hot"] = [ComparisonLife::firstRuns($runs, $hot), ComparisonLife::order($setups, $runs, $hot, 3, Design::Adaptive, $visits)->runs];
        }
        foreach ([1, 5, 40, 61, 0] as $count) {
            $figures["added $count"] = self::tried(static fn (): array => ComparisonLife::addRuns(new ComparisonState(ComparisonStatus::Running, $setups, 4, 2, 7, [], 8, 3), 'b', $count, null));
        }
        foreach (Measure::cases() as $measure) {
            foreach ($measure->units() as $unit) {
                foreach ([-30.0, -1.0, 0.0, 0.4, 1.0, 2.5, 4.0, 5.0, 61.0, 99.0, 120.0, 410.0, 1200.0, 1e5] as $value) {
                    $figures["$measure->value $value $unit"] = self::tried(static fn (): array => [$measure->stored($value, $unit)]);
                }
            }
        }
        $piece = new TestPiece('x', 22, 7, 9);
        $figures['piece'] = [$piece->contactAreaMm2(), $piece->shearStressMpa(31.0), $piece->edgePeelStressMpa(31.0), $durations->runMinutes(PullKind::Hot), $durations->runMinutes(PullKind::Cold)];
        foreach ([null, 10.0, 43199.0, 43201.0] as $ago) {
            $figures['void '.($ago ?? 'unseen')] = [VoidRule::on($ago, 'a', 'a', new OnePersonShop(true)), VoidRule::on($ago, 'a', 'a', new OnePersonShop()), VoidRule::on($ago, 'a', 'b', new OnePersonShop())];
        }
        foreach ([[1, 3, 9, 20, 31, 30, 29, 4, 1], [2, 2, 2], [5, 80, 199.7, 200, 200, 3], [0, 12, 11.9, 12.2, 6, 1]] as $i => $forces) {
            $trace = PullTrace::of(array_map(static fn (int $at, float|int $n): PullSample => new PullSample(50 * $at, (float) $n), array_keys($forces), $forces), 200.0);
            $figures["trace $i"] = [$trace, self::tried(static fn (): array => [$trace->reading(PullKind::Hot, true), $trace->reading(PullKind::Cold, false)])];
        }
        self::hold('test', $figures);
    }

    public function testSheetsStayAsTheyAre(): void
    {
        $catalogue = self::catalogue();
        $figures = [];
        foreach ([['pei_textured', 'pva_stick', 60.0, 60.0, true], ['glass', 'spray_film', 100.0, 70.0, false], ['carbon_laminate', null, null, null, true]] as [$surfaceId, $agentId, $first, $other, $change]) {
            $surface = $catalogue->surface($surfaceId);
            $agent = null === $agentId ? null : $catalogue->agent($agentId);
            foreach ([new Taken(), new Taken(false), new Taken(false, true)] as $t => $taken) {
                $sheet = new RunSheet(
                    'P6 front', $surface->name, $surface->cleaning, null === $agent ? null : 'A stick', $agent?->putOn, $agent?->hazard, $first, 215.0, 'block.gcode',
                    null === $first ? null : 35.0, 8.5, 1 === $t, $change, $surface->cautions, $other, $taken, 2 === $t ? self::build($surface) : null,
                    null === $first ? null : Sentence::of('dial.unknown', display: new OwnText((string) $first)), 1 === $t,
                );
                foreach ([...RunStep::sequence(PullKind::Hot), ...RunStep::sequence(PullKind::Cold)] as $step) {
                    $figures["$surfaceId $t $step->value"] = $sheet->at($step);
                }
            }
        }
        foreach (PullKind::cases() as $pull) {
            foreach ([null, true, false] as $held) {
                foreach ([new Taken(), new Taken(false, true)] as $t => $taken) {
                    $figures["missing $pull->value ".json_encode($held)." $t"] = [
                        Completeness::missing($pull, $held, [], [], $taken),
                        Completeness::missing($pull, $held, [Measure::Effort, Measure::Held], [Measure::Damage], $taken),
                    ];
                }
            }
        }
        self::hold('sheet', $figures);
    }

    public function testLivesStayAsTheyAre(): void
    {
        $figures = [];
        foreach (PullKind::cases() as $pull) {
            foreach ([RunStatus::Planned, RunStatus::Running, RunStatus::Done] as $status) {
                foreach (RunStep::cases() as $at) {
                    foreach ([null, Outcome::Held, Outcome::CameOff] as $outcome) {
                        $run = new RunState($pull, ComparisonStatus::Running, $status, $at, $outcome, null === $outcome ? null : 100.0, 'mara', occupiesPrinter: RunStep::Print === $at, printBeganSecondsAgo: RunStep::Cool === $at ? 1500.0 : null);
                        $name = "$pull->value $status->value ".$at->value.' '.($outcome->value ?? 'unsaid');
                        $figures["$name steps"] = array_map(static fn (RunStep $to): mixed => self::tried(static fn (): array => RunLife::moveTo($run, $to)), RunStep::cases());
                        $figures["$name acts"] = [
                            self::tried(static fn (): array => RunLife::sayOutcome($run, Outcome::Lifted, '')),
                            self::tried(static fn (): array => RunLife::enter($run, new Reading(Measure::PullCold, 8.0))),
                            self::tried(static fn (): array => RunLife::enter($run, new Reading(Measure::Lift, 0.2), 2)),
                            self::tried(static fn (): array => RunLife::finish($run)),
                            self::tried(static fn (): array => RunLife::leavePrinter($run)),
                            self::tried(static fn (): array => RunLife::markNotTaken($run, Measure::PullCold, 'broke')),
                            self::tried(static fn (): array => RunLife::declareVoid($run, 'wrong spool', 'mara', new OnePersonShop(), 12)),
                            $run->sequence(), $run->missing(), $run->printByStampsMinutes(),
                        ];
                    }
                }
            }
        }
        self::hold('lives', $figures);
    }

    private static function build(Surface $surface): PlateBuild
    {
        return PlateBuild::of($surface, [], true);
    }

    /** @param \Closure(): array<mixed> $act */
    private static function tried(\Closure $act): mixed
    {
        try {
            return array_map(static fn (mixed $fact): mixed => \is_object($fact) ? [(new \ReflectionClass($fact))->getShortName(), get_object_vars($fact)] : $fact, $act());
        } catch (Refusal $refusal) {
            return [$refusal->sentence, $refusal->field];
        } catch (\DomainException $refused) {
            return $refused->getMessage();
        }
    }
}
