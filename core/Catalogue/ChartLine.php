<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** One line of a maker's chart: a material on a surface, bare or with one agent. */
final readonly class ChartLine
{
    public function __construct(
        public string $materialId,
        public string $surfaceId,
        /** Null: bare. */
        public ?string $agentId,
        public ChartWord $says,
        /** Null: the chart gives none; then it is that of the material, as far as the surface stands it. */
        public ?Window $window = null,
        /** At and below it the part comes off, °C; null: not said. */
        public ?float $releaseC = null,
        /** What else it says; "" for nothing. */
        public string $note = '',
    ) {
    }

    /** Whether both speak of one way to use one pair. */
    public function sameWay(self $other): bool
    {
        return [$this->materialId, $this->surfaceId, $this->agentId] === [$other->materialId, $other->surfaceId, $other->agentId];
    }

    /** The order in which lines are read: what an agent is for depends on whether the pair bonds without it. */
    public static function bareFirst(self $one, self $other): int
    {
        return (null !== $one->agentId) <=> (null !== $other->agentId);
    }
}
