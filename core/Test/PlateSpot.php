<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Random\Randomizer;
use Sitzplatz\Words\Sentence;

/** Where on the plate a single part stands: corners fail first (trade notes, section 8), and the middle wears most. */
enum PlateSpot: int
{
    case Middle = 1;
    case FrontLeft = 2;
    case FrontRight = 3;
    case BackLeft = 4;
    case BackRight = 5;

    /** Where several parts fill the plate nothing is to be spread, and a coat that stays is on one spot. */
    public static function spreads(bool $wanted, int $parts, bool $coatStays): bool
    {
        return $wanted && 1 === $parts && !$coatStays;
    }

    /**
     * So many in a random order in which each of the five comes once before any comes again.
     *
     * @return list<self>
     */
    public static function inTurn(int $runs, Randomizer $random): array
    {
        $spots = [];
        while (\count($spots) < $runs) {
            array_push($spots, ...$random->shuffleArray(self::cases()));
        }

        return \array_slice($spots, 0, $runs);
    }

    /** @return array{place: int, x: float, y: float} as shares of width and depth, from the front left */
    public function at(): array
    {
        [$x, $y] = match ($this) {
            self::Middle => [0.5, 0.5],
            self::FrontLeft => [0.2, 0.2],
            self::FrontRight => [0.8, 0.2],
            self::BackLeft => [0.2, 0.8],
            self::BackRight => [0.8, 0.8],
        };

        return ['place' => $this->value, 'x' => $x, 'y' => $y];
    }

    /** The one that a place is nearest to, as shares of width and depth, from the front left. */
    public static function nearest(float $x, float $y): self
    {
        $found = self::Middle;
        $least = \INF;
        foreach (self::cases() as $each) {
            $at = $each->at();
            $off = hypot($x - $at['x'], $y - $at['y']);
            [$found, $least] = $off < $least ? [$each, $off] : [$found, $least];
        }

        return $found;
    }

    public function words(): Sentence
    {
        return Sentence::of('spot.'.strtolower($this->name));
    }
}
