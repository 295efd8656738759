<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\Criterion;
use Sitzplatz\Choose\Request\Wishes;

/** Those that are looked at stand as they would if all were put in order. */
final class EnoughTest extends TestCase
{
    use BuildsJobs;

    public function testTheFirstStandAsIfAllWerePutInOrder(): void
    {
        $sides = $agents = [];
        foreach (array_keys(self::catalogue()->surfaces) as $i => $surface) {
            $sides[] = self::side($surface, 'P'.$i);
        }
        foreach (self::catalogue()->agents as $agent) {
            $agents[] = new AgentFacts($agent->id, $agent->id, 0.1);
        }
        $key = static fn (Candidate $c): string => $c->proposal->side->id.'/'.$c->treatment->agentId.'/'.$c->proposal->off;
        foreach ([new Wishes(), new Wishes(bareFirst: true), new Wishes(lowEnergy: true), new Wishes(exactHeight: true, order: [Criterion::Turnaround, Criterion::Chance])] as $wishes) {
            foreach (['pla', 'petg', 'abs'] as $material) {
                $job = self::job($material, ['part' => self::thinBar(), 'wishes' => $wishes]);
                $all = Ranking::of(self::catalogue(), $job, $sides, $agents, new Experience([]));
                foreach ([1, 7, 20] as $enough) {
                    $some = Ranking::of(self::catalogue(), $job, $sides, $agents, new Experience([]), $enough);
                    $first = \array_slice($some->candidates, 0, $enough);
                    self::assertSame(array_map($key, \array_slice($all->candidates, 0, $enough)), array_map($key, $first), "$material $enough");
                    self::assertSame(array_map($all->bracketOf(...), \array_slice($all->candidates, 0, $enough)), array_map($some->bracketOf(...), $first));
                    self::assertEqualsCanonicalizing(array_map($key, $all->candidates), array_map($key, $some->candidates), 'None is lost.');
                }
            }
        }
    }
}
