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
        public float $roomLowC,
        public float $roomHighC,
        public Sentence $sentence,
    ) {
    }

    /**
     * @param list<array{answer: JobAnswer, parts: int, roomC: float}> $jobs
     *
     * @return self|null null: there are none
     */
    public static function of(array $jobs, ?float $signedMinutes, int $signedParts): ?self
    {
        if ([] === $jobs) {
            return null;
        }
        $held = array_values(array_filter($jobs, static fn (array $job): bool => $job['answer']->cameTrue()));
        $minutes = array_filter(array_map(static fn (array $job): ?float => $job['answer']->minutes, $held));
        $longest = [] === $minutes ? null : max($minutes);
        $most = [] === $held ? 0 : max(array_column($held, 'parts'));
        $rooms = array_column([] === $held ? $jobs : $held, 'roomC');
        $beyond = array_values(array_filter([
            null !== $longest && $longest > ($signedMinutes ?? 0.0) ? Sentence::of('seen.longer', longest: Quantity::minutes($longest)) : null,
            $most > $signedParts ? Sentence::of('seen.fuller', most: Quantity::count($most)) : null,
        ]));

        return new self(\count($jobs), \count($held), $longest, $most, min($rooms), max($rooms), Sentence::of(
            [] === $beyond ? 'seen.prints' : 'seen.prints_beyond',
            prints: Quantity::count(\count($jobs)),
            held: Quantity::count(\count($held)),
            beyond: Listing::of($beyond, Joined::And),
        ));
    }
}
