<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Judge\Answer;
use Sitzplatz\Judge\Scatter;
use Sitzplatz\Judge\ShareAgainstRequired;
use Sitzplatz\Test\BegunRun;
use Sitzplatz\Test\Design;
use Sitzplatz\Test\LookOrder;
use Sitzplatz\Test\RunOutcome;

final class LookOrderTest extends TestCase
{
    /** Runs at 3, 5 and 7 gave "holds"; the one at 2, begun before and above the limit, took it back. */
    public function testALookWaitsForWhatWasBegunBefore(): void
    {
        $runs = static fn (bool $secondIsOver, bool $secondIsVoid = false): array => [
            self::begun('one', 1.0),
            self::begun('seven', 7.0),
            self::begun('two', 2.0, over: $secondIsOver, void: $secondIsVoid),
            self::begun('three', 3.0),
            self::begun('planned', null, over: false),
        ];
        self::assertSame(['one'], LookOrder::of($runs(false), false));
        self::assertSame(['one', 'two', 'three', 'seven'], LookOrder::of($runs(true), false));
        self::assertSame(['one', 'three', 'seven'], LookOrder::of($runs(true, true), false), 'A void run is waited for no longer, and does not count.');
    }

    public function testOfWhatWasBegunAtOnceThePlanHasTheOrder(): void
    {
        self::assertSame(['b', 'a'], LookOrder::of([self::begun('a', 5.0, position: 9), self::begun('b', 5.0, position: 2)], false));
    }

    public function testAVisitThatIsNotOverWaitsAsAWhole(): void
    {
        $runs = [self::begun('a', 1.0, visit: '1'), self::begun('b', 2.0, visit: '1'), self::begun('c', 3.0, visit: '2'), self::begun('d', null, over: false, visit: '2')];
        self::assertSame(['a', 'b'], LookOrder::of($runs, true));
        self::assertSame(['a', 'b', 'c'], LookOrder::of($runs, false));
    }

    /** Simulated: four printers at once, a print that fails ends after a tenth of the time; at the limit, looked at after each run. */
    public function testByTheOrderOfBeginningNoFailureComesEarly(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(12));
        $refuted = ['ended' => 0, 'begun' => 0];
        for ($shop = 0; $shop < 1500; ++$shop) {
            $ends = [];
            $runs = [];
            $printers = [0.0, 0.0, 0.0, 0.0];
            for ($i = 0; $i < 18; ++$i) {
                $printer = (int) array_search(min($printers), $printers, true);
                $held = Scatter::share($random) < 0.8;
                $ends["r$i"] = [$printers[$printer] + ($held ? 1.0 : 0.1), $held];
                $runs[] = ['id' => "r$i", 'at' => $printers[$printer] + $i / 1e6];
                $printers[$printer] = $ends["r$i"][0];
            }
            $seen = ['ended' => false, 'begun' => false];
            $last = array_column($ends, 0);
            sort($last);
            foreach ($last as $now) {
                $begun = array_map(static fn (array $run): BegunRun => self::begun($run['id'], $run['at'] <= $now ? $run['at'] : null, over: $ends[$run['id']][0] <= $now), $runs);
                $over = array_filter($ends, static fn (array $end): bool => $end[0] <= $now);
                asort($over);
                foreach (['ended' => array_keys($over), 'begun' => LookOrder::of($begun, false)] as $order => $ids) {
                    $outcomes = array_map(static fn (string $id): RunOutcome => $ends[$id][1] ? RunOutcome::Passed : RunOutcome::Failed, $ids);
                    $seen[$order] = $seen[$order] || Answer::No === ShareAgainstRequired::of($outcomes, 0.8, Design::Adaptive, 14, 18)->reached;
                }
            }
            $refuted['ended'] += $seen['ended'] ? 1 : 0;
            $refuted['begun'] += $seen['begun'] ? 1 : 0;
        }
        self::assertGreaterThan(0.06, $refuted['ended'] / 1500);
        self::assertLessThan(0.05 + 0.011, $refuted['begun'] / 1500);
    }

    private static function begun(string $id, ?float $beganAt, int $position = 1, string $visit = '1', bool $over = true, bool $void = false): BegunRun
    {
        return new BegunRun($id, $beganAt, $position, $visit, $over, $void);
    }
}
