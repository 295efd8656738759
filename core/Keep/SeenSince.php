<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Test\Life\JobAnswer;
use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * What prints for use with a profile have shown since: longer and fuller than it was signed for. It stands
 * beside what was signed, and widens none of it. Only measured minutes count, and only of what held and let go.
 */
final readonly class SeenSince
{
    private function __construct(
        public int $prints,
        public int $cameTrue,
        /** Of one that came true, measured; null: none was. */
        public ?float $longestMinutes,
        public int $mostParts,
        /** Of those that came true. */
        public ?float $roomLowC,
        public ?float $roomHighC,
        public Sentence $sentence,
    ) {
    }

    /**
     * @param list<array{answer: JobAnswer, parts: int, roomC: ?float}> $jobs
     *
     * @return self|null null: there are none
     */
    public static function of(array $jobs, Scope $signed): ?self
    {
        if ([] === $jobs) {
            return null;
        }
        $held = array_values(array_filter($jobs, static fn (array $job): bool => $job['answer']->cameTrue()));
        $minutes = array_filter(array_map(static fn (array $job): ?float => $job['answer']->minutes, $held));
        $longest = [] === $minutes ? null : max($minutes);
        $most = [] === $held ? 0 : max(array_column($held, 'parts'));
        // A print in a room that nobody measured widens no room.
        $rooms = array_filter(array_column($held, 'roomC'), static fn (?float $roomC): bool => null !== $roomC);
        [$low, $high] = [] === $rooms ? [null, null] : [min($rooms), max($rooms)];
        $beyond = array_values(array_filter([
            null !== $longest && $longest > ($signed->longestJobMinutes ?? 0.0) ? Sentence::of('seen.longer', longest: Quantity::minutes($longest)) : null,
            $most > $signed->mostParts ? Sentence::of('seen.fuller', most: Quantity::count($most)) : null,
            null !== $low && null !== $high && ($low < $signed->roomLowC || $high > $signed->roomHighC)
                ? Sentence::of('seen.rooms', low: Quantity::celsius($low), high: Quantity::celsius($high)) : null,
        ]));

        return new self(\count($jobs), \count($held), $longest, $most, $low, $high, Sentence::of(
            [] === $beyond ? 'seen.prints' : 'seen.prints_beyond',
            prints: Quantity::count(\count($jobs)),
            held: Quantity::count(\count($held)),
            beyond: Listing::of($beyond, Joined::And),
        ));
    }
}
