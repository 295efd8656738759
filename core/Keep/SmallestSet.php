<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/**
 * The fewest plates, and among these the fewest agents, that serve every need. A way takes its plate and its agent together,
 * so it is no plain set cover, and the bound of a greedy choice (Chvátal 1979) does not hold; needs are served one after the
 * other, the one with the fewest ways first, and what can no longer be better than the best is left out. The least number of
 * plates that what is left must take is the number of needs of which no two can be served by one plate.
 */
final class SmallestSet
{
    /** Agents never outweigh a plate. */
    private const PLATE = 1_000;
    /** So many ways are tried at most; beyond, the best so far is told with what is certain of it. */
    private const STEPS = 20_000;

    private int $steps = 0;
    /** @var array<string, list<string>> plates that serve each need */
    private array $platesOf = [];
    private int $best = \PHP_INT_MAX;
    /** @var array<string, Serving> by need */
    private array $chosen = [];

    /**
     * @param array<string, Serving> $ways          how each need is served
     * @param list<string>           $plates        of the set
     * @param list<string>           $agents        of the set
     * @param int                    $atLeastPlates fewer cannot do
     * @param bool                   $exact         all ways were tried, or ruled out
     * @param list<string>           $unserved      needs that nothing serves
     */
    private function __construct(
        public array $ways = [],
        public array $plates = [],
        public array $agents = [],
        public int $atLeastPlates = 0,
        public bool $exact = true,
        public array $unserved = [],
    ) {
    }

    /** @param array<string, list<Serving>> $needs the ways of each, by need */
    public static function of(array $needs): self
    {
        $unserved = array_keys(array_filter($needs, static fn (array $ways): bool => [] === $ways));
        $open = array_map(self::leanest(...), array_filter($needs));
        uasort($open, static fn (array $a, array $b): int => \count($a) <=> \count($b));
        $search = new self();
        foreach ($open as $need => $ways) {
            $search->platesOf[$need] = array_values(array_unique(array_map(static fn (Serving $way): string => $way->plateId, $ways)));
        }
        $bound = $search->apart($open, []);
        $search->serve($open, [], [], []);

        return new self(
            $search->chosen,
            array_values(array_unique(array_map(static fn (Serving $way): string => $way->plateId, $search->chosen))),
            array_values(array_unique(array_filter(array_map(static fn (Serving $way): ?string => $way->agentId, $search->chosen)))),
            $bound,
            $search->steps <= self::STEPS,
            array_map(strval(...), $unserved),
        );
    }

    /**
     * @param array<string, list<Serving>> $open   needs that are left, the one with the fewest ways first
     * @param array<string, Serving>       $ways   of those that are served
     * @param array<string, true>          $plates taken
     * @param array<string, true>          $agents taken
     */
    private function serve(array $open, array $ways, array $plates, array $agents): void
    {
        if (++$this->steps > self::STEPS) {
            return;
        }
        $cost = self::PLATE * \count($plates) + \count($agents);
        if ([] === $open) {
            if ($cost < $this->best) {
                [$this->best, $this->chosen] = [$cost, $ways];
            }

            return;
        }
        if ($cost + self::PLATE * $this->apart($open, $plates) >= $this->best) {
            return;
        }
        $need = array_key_first($open);
        $left = \array_slice($open, 1, null, true);
        $options = $open[$need];
        $new = static fn (Serving $way): int => self::PLATE * (int) !isset($plates[$way->plateId])
            + (int) (null !== $way->agentId && !isset($agents[$way->agentId]));
        usort($options, static fn (Serving $a, Serving $b): int => [$new($a), $b->atLeast] <=> [$new($b), $a->atLeast]);
        foreach ($options as $way) {
            $this->serve(
                $left,
                [...$ways, $need => $way],
                [...$plates, $way->plateId => true],
                null === $way->agentId ? $agents : [...$agents, $way->agentId => true],
            );
        }
    }

    /**
     * Of each plate bare, where bare serves: it takes no agent; else the surest way with each agent.
     *
     * @param list<Serving> $ways
     *
     * @return list<Serving>
     */
    private static function leanest(array $ways): array
    {
        $lean = [];
        foreach ($ways as $way) {
            $known = $lean[$way->plateId][$way->agentId ?? ''] ?? null;
            if (null === $known || $known->atLeast < $way->atLeast) {
                $lean[$way->plateId][$way->agentId ?? ''] = $way;
            }
        }
        $kept = [];
        foreach ($lean as $byAgent) {
            array_push($kept, ...(isset($byAgent['']) ? [$byAgent['']] : array_values($byAgent)));
        }

        return $kept;
    }

    /**
     * How many plates the needs must take at least beside those that are taken: needs of which no two share a plate.
     *
     * @param array<string, list<Serving>> $needs
     * @param array<string, true>          $taken
     */
    private function apart(array $needs, array $taken): int
    {
        $apart = 0;
        $used = $taken;
        foreach (array_keys($needs) as $need) {
            foreach ($this->platesOf[$need] as $plate) {
                if (isset($used[$plate])) {
                    continue 2;
                }
            }
            ++$apart;
            $used += array_fill_keys($this->platesOf[$need], true);
        }

        return $apart;
    }
}
