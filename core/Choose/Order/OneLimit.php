<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Order;

use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Gate\Gate;
use Sitzplatz\Choose\Gate\GateOfLimits;
use Sitzplatz\Choose\Gate\Gates;
use Sitzplatz\Choose\Gate\Rejection;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Words\Sentence;

/** A limit of printer or plate that is all that stands in the way of some sides: were it not there, they would do. */
final readonly class OneLimit
{
    /** @param non-empty-list<string> $sides what they are called */
    private function __construct(
        /** As it stands for the first of them. */
        public Sentence $reason,
        public array $sides,
    ) {
    }

    /**
     * @param list<Rejection>  $rejections
     * @param list<AgentFacts> $agents     on the shelf
     *
     * @return list<self> that in the way of most sides first
     *
     * @throws BadCatalogue if the catalogue has no such agent
     */
    public static function among(array $rejections, Catalogue $catalogue, array $agents): array
    {
        $found = [];
        $kinds = [null, ...array_map(static fn (AgentFacts $each): Agent => $catalogue->agent($each->kindId), $agents)];
        foreach ($rejections as $rejection) {
            $proposal = $rejection->proposal;
            if (!$rejection->wholeSide || null === $proposal->pairing || !self::someWay($proposal, $kinds)) {
                continue;
            }
            $refusing = array_values(array_filter(Gates::ofASide(), static fn (Gate $gate): bool => null !== $gate->refuses($proposal)));
            $reason = $rejection->reason;
            if (1 === \count($refusing) && $refusing[0] instanceof GateOfLimits && null !== $reason) {
                $found[$refusing[0]::class.$proposal->job->printer->id][] = [$reason, $proposal->side->label];
            }
        }
        usort($found, static fn (array $a, array $b): int => \count($b) <=> \count($a));

        return array_map(static fn (array $each): self => new self($each[0][0], array_column($each, 1)), $found);
    }

    /**
     * Whether it would be used bare or with one of the agents.
     *
     * @param list<Agent|null> $agents
     */
    private static function someWay(Proposal $bare, array $agents): bool
    {
        foreach ($agents as $agent) {
            $proposal = new Proposal($bare->job, $bare->side, $bare->surface, $agent, $bare->pairing, $bare->pairing?->treatment($agent?->id));
            if ([] === array_filter(Gates::ofAnAgent(), static fn (Gate $gate): bool => null !== $gate->refuses($proposal))) {
                return true;
            }
        }

        return false;
    }
}
