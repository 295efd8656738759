<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Demo\DemoPrint;
use App\Demo\DemoTruth;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Yaml\Yaml;

/** The year of the demo is drawn from a truth of its own, and what is said of it is held against that. */
final class DemoTruthTest extends ApiTestCase
{
    public function testTheSameSeedDrawsTheSameYear(): void
    {
        $year = self::year();
        $prints = DemoTruth::draw($year, 7);
        self::assertEquals($prints, DemoTruth::draw($year, 7));
        self::assertNotEquals($prints, DemoTruth::draw($year, 8));
        foreach ($year['recipes'] as $i => $recipe) {
            [$from, $until] = $recipe['days'];
            self::assertCount(
                (int) round(($from - $until) / 30.4 * $recipe['perMonth']),
                array_filter($prints, static fn (DemoPrint $print): bool => $i === $print->recipe),
            );
        }
        $days = array_map(static fn (DemoPrint $print): float => $print->day, $prints);
        $sorted = $days;
        rsort($sorted);
        self::assertSame($sorted, $days, 'One after the other, as they were made.');
    }

    /** A part comes loose by a hazard that runs on with time and parts (its own law): a short print of one part holds oftener than a long one of four. */
    public function testLongAndFullPlatesHoldLessAndAWornSheetLess(): void
    {
        $recipe = ['printer' => 'p', 'side' => 's', 'agent' => null, 'material' => 'pla', 'lots' => [['l', 999]], 'days' => [365, 1], 'perMonth' => 250, 'hold' => 0.9, 'letGo' => 0.9, 'titles' => ['x']];
        $share = static function (array $change) use ($recipe): float {
            $prints = DemoTruth::draw(['recipes' => [$change + $recipe], 'sheets' => [], 'changes' => []], 3);

            return array_sum(array_map(static fn (DemoPrint $print): int => (int) $print->answer->outcome->held(), $prints)) / \count($prints);
        };
        $usual = $share(['minutes' => [150, 150], 'parts' => [2, 2]]);
        self::assertEqualsWithDelta(0.87, $usual, 0.05, 'What the recipe says, less for lots and days that are worse.');
        self::assertGreaterThan($usual + 0.02, $share(['minutes' => [40, 40], 'parts' => [1, 1]]));
        self::assertLessThan($usual - 0.05, $share(['minutes' => [600, 600], 'parts' => [4, 4]]));
        self::assertLessThan($usual - 0.2, $share(['minutes' => [150, 150], 'parts' => [2, 2], 'wearsFrom' => 100]));
    }

    public function testWhatIsSaidOfTheShippedYearIsNearerThanTheShares(): void
    {
        $tester = new CommandTester((new Application(self::$kernel ?? self::bootKernel()))->find('sitzplatz:demo:seeds'));
        $tester->execute(['--seeds' => 1]);
        self::assertSame(1, preg_match('/^'.self::year()['seed'].'  ([0-9.]+)  ([0-9.]+)  ([0-9.]+)$/m', $tester->getDisplay(), $brier));
        self::assertLessThan((float) $brier[2], (float) $brier[1]);
        self::assertLessThan((float) $brier[3], (float) $brier[1]);
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM job'), 'Nothing is kept.');
    }

    /** @return array<string, mixed> */
    private static function year(): array
    {
        /** @var array<string, mixed> $year */
        $year = Yaml::parseFile(\dirname(__DIR__, 2).'/demo/year.yaml');

        return $year;
    }
}
