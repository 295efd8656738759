<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\Criterion;
use Sitzplatz\Choose\Request\Finish;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\Wishes;
use Sitzplatz\Tests\Core\Words\Said;

/** In which order setups stand, and how wishes change it. */
final class WishesTest extends TestCase
{
    use BuildsJobs;

    public function testTheUsualOrderAndWhatMovesIt(): void
    {
        self::assertSame([Criterion::Chance, Criterion::Consumable, Criterion::Turnaround, Criterion::Cost], (new Wishes())->order());
        self::assertSame([Criterion::Consumable, Criterion::Chance, Criterion::Turnaround, Criterion::Cost], (new Wishes(bareFirst: true))->order());
        self::assertSame(
            [Criterion::Chance, Criterion::Energy, Criterion::Consumable, Criterion::Turnaround, Criterion::Cost],
            (new Wishes(lowEnergy: true))->order(),
        );
        $own = [Criterion::Cost, Criterion::Energy, Criterion::Chance];
        self::assertSame($own, (new Wishes(lowEnergy: true, order: $own))->order(), 'An own order that names energy is left as it is.');
        self::assertSame([Criterion::Energy, Criterion::Cost], (new Wishes(lowEnergy: true, order: [Criterion::Cost]))->order());
    }

    public function testBareStandsBeforeAConsumableThatHoldsAsWell(): void
    {
        $ranking = self::rank(self::job('pla'), [self::side('pei_textured')], ['polymer_adhesive']);
        self::assertSame(['bare', 'polymer_adhesive'], self::ways($ranking), 'Strong and strong both: the consumable comes second.');
        self::assertEqualsWithDelta($ranking->candidates[0]->hold->prediction->chance->mean, $ranking->candidates[1]->hold->prediction->chance->mean, 1e-12);
    }

    public function testTheQuickerOfTwoLikeSetupsStandsFirst(): void
    {
        $ranking = self::rank(self::job('pla'), [self::side('thick_composite', 'P1'), self::side('pei_textured', 'P2')]);
        [$first, $second] = $ranking->candidates;
        self::assertEqualsWithDelta($first->chance, $second->chance, 1e-12);
        self::assertSame('pei_textured', $first->proposal->surface->id, 'Practice: a thick composite is slow to heat.');
        self::assertLessThan($ranking->heat->of($second->proposal)?->turnaroundMinutes(), $ranking->heat->of($first->proposal)?->turnaroundMinutes());
    }

    public function testThePriceDecidesWhatIsLeft(): void
    {
        $sides = [self::side('pei_textured', 'P1', costPerPrint: 0.30), self::side('pei_textured', 'P2', costPerPrint: 0.10), self::side('pei_textured', 'P3')];
        $labels = array_map(static fn (Candidate $c): string => $c->proposal->side->id, self::rank(self::job('pla'), $sides)->candidates);
        self::assertSame(['P2', 'P1', 'P3'], $labels, 'An unknown price comes last.');
        $cost = self::rank(self::job('pla'), [$sides[0]], ['polymer_adhesive'])->candidates[1]->costPerPrint;
        self::assertEqualsWithDelta(0.40, $cost, 1e-12, 'Plate and agent.');
        $order = new Wishes(order: [Criterion::Cost]);
        $cheap = self::rank(
            self::job('petg', ['wishes' => $order]),
            [self::side('pei_textured', 'P1', costPerPrint: 0.05), self::side('pei_smooth', 'P2', costPerPrint: 2.0)],
            ['pva_stick'],
        );
        self::assertSame('P1', $cheap->candidates[0]->proposal->side->id);
    }

    public function testAMissedWishComesAfterEveryMetOneAndIsSaid(): void
    {
        $ranking = self::rank(
            self::job('pla', ['wishes' => new Wishes(Finish::Gloss, true)]),
            [self::side('pei_textured', 'P1'), self::side('glass', 'P2')],
            [],
        );
        self::assertSame(
            ['glass', 'pei_textured'],
            array_map(static fn (Candidate $c): string => $c->proposal->surface->id, $ranking->candidates),
            'Bare glass holds less well, but it is what was asked for.',
        );
        self::assertLessThan($ranking->candidates[1]->chance, $ranking->candidates[0]->chance);
        self::assertSame(['wish.finish has=finish.texture wanted=finish.gloss', 'wish.exact_height'], Said::all($ranking->candidates[1]->missed));
        self::assertStringContainsString('wanted=finish.gloss', implode(' ', Said::all($ranking->candidates[1]->reasons())));
    }

    public function testTheOrderDoesNotDependOnTheShelf(): void
    {
        $sides = array_map(
            static fn (string $surface, int $i): SideFacts => self::side($surface, "P$i"),
            ['pei_textured', 'pei_smooth', 'glass', 'epoxy_glass', 'low_temp_matte', 'thick_composite'],
            range(1, 6),
        );
        $labels = static fn (array $given): array => array_map(
            static fn (Candidate $c): string => Said::of($c->proposal->label()),
            self::rank(self::job('petg'), array_values($given), ['pva_stick', 'spray_film'])->candidates,
        );
        self::assertSame($labels($sides), $labels(array_reverse($sides)));
    }

    /** @return list<string> */
    private static function ways(Ranking $ranking): array
    {
        return array_map(static fn (Candidate $c): string => $c->treatment->agentId ?? 'bare', $ranking->candidates);
    }
}
