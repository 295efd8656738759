<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Keep;

use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Sitzplatz\Keep\Serving;
use Sitzplatz\Keep\SmallestSet;

final class SmallestSetTest extends TestCase
{
    public function testFewestPlatesThenFewestAgents(): void
    {
        // By hand: P2 with the stick serves all; P1 serves pla and petg bare, but then abs wants a plate more.
        $set = SmallestSet::of([
            'pla' => [self::way('P1'), self::way('P2', 'stick')],
            'petg' => [self::way('P1'), self::way('P2', 'stick')],
            'abs' => [self::way('P3'), self::way('P2', 'stick')],
        ]);
        self::assertSame([['P2'], ['stick'], 1, true, []], [$set->plates, $set->agents, $set->atLeastPlates, $set->exact, $set->unserved]);
        // Of sets with as many plates the one without an agent.
        $bare = SmallestSet::of(['pla' => [self::way('P1', 'stick'), self::way('P2')], 'petg' => [self::way('P1', 'spray'), self::way('P2')]]);
        self::assertSame([['P2'], []], [$bare->plates, $bare->agents]);
    }

    public function testOfSeveralWaysWithOnePlateTheSurestIsTaken(): void
    {
        $ways = [new Serving('P1', 'stick', 0.7), new Serving('P1', 'stick', 0.9), new Serving('P1', 'stick', 0.8)];
        $set = SmallestSet::of(['pla' => $ways]);
        self::assertSame([['P1'], ['stick']], [$set->plates, $set->agents]);
        self::assertEqualsWithDelta(0.9, array_values($set->ways)[0]->atLeast, 0);
        // With no agent where bare serves too, however sure the agent makes it; of two plates the surer.
        $bare = SmallestSet::of(['pla' => [new Serving('P1', 'stick', 0.99), new Serving('P1', null, 0.7), new Serving('P2', null, 0.8)]]);
        self::assertSame([['P2'], []], [$bare->plates, $bare->agents]);
    }

    public function testWhatNothingServesIsSaid(): void
    {
        $set = SmallestSet::of(['pla' => [self::way('P1')], 'pp' => []]);
        self::assertSame([['P1'], ['pp']], [$set->plates, $set->unserved]);
        self::assertSame([], SmallestSet::of([])->plates);
    }

    public function testNeedsThatShareNoPlateWantOneEach(): void
    {
        $set = SmallestSet::of(['a' => [self::way('P1')], 'b' => [self::way('P2')], 'c' => [self::way('P1'), self::way('P2')]]);
        self::assertSame([2, ['P1', 'P2']], [$set->atLeastPlates, $set->plates]);
    }

    public function testAGreedyChoiceWouldTakeMore(): void
    {
        // The classic trap: the plate that serves most comes first, and then two more are wanted where two do (Chvátal 1979).
        $set = SmallestSet::of([
            'a' => [self::way('big'), self::way('left')], 'b' => [self::way('big'), self::way('left')], 'c' => [self::way('left')],
            'd' => [self::way('big'), self::way('right')], 'e' => [self::way('big'), self::way('right')], 'f' => [self::way('right')],
        ]);
        self::assertEqualsCanonicalizing(['left', 'right'], $set->plates);
    }

    public function testNoSetOfAnyOtherPlatesIsSmaller(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(5));
        for ($shop = 0; $shop < 40; ++$shop) {
            $needs = [];
            for ($need = 0; $need < 7; ++$need) {
                for ($i = $random->getInt(1, 4); $i > 0; --$i) {
                    $needs["n$need"][] = self::way('P'.$random->getInt(1, 6), [null, null, 'stick', 'spray'][$random->getInt(0, 3)]);
                }
            }
            $set = SmallestSet::of($needs);
            self::assertTrue($set->exact);
            self::assertLessThanOrEqual(\count($set->plates), $set->atLeastPlates);
            self::assertSame(self::least($needs), 1_000 * \count($set->plates) + \count($set->agents));
        }
    }

    /** @param array<string, list<Serving>> $needs all sets of plates and agents tried, the plain way */
    private static function least(array $needs): int
    {
        $best = \PHP_INT_MAX;
        for ($plates = 0; $plates < 64; ++$plates) {
            for ($agents = 0; $agents < 4; ++$agents) {
                $serves = static fn (Serving $way): bool => 1 === ($plates >> ((int) substr($way->plateId, 1) - 1) & 1)
                    && (null === $way->agentId || 1 === ($agents >> (int) ('spray' === $way->agentId) & 1));
                $all = [] === array_filter($needs, static fn (array $ways): bool => [] === array_filter($ways, $serves));
                $best = $all ? min($best, 1_000 * substr_count(decbin($plates), '1') + substr_count(decbin($agents), '1')) : $best;
            }
        }

        return $best;
    }

    private static function way(string $plate, ?string $agent = null): Serving
    {
        return new Serving($plate, $agent, 0.8);
    }
}
