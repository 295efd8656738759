<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Sentence;

/** What is known here of a material on a kind of surface, the most first. */
enum SeatState: string
{
    case Proven = 'proven';
    case InQuestion = 'in_question';
    case Trial = 'trial';
    /** Printed for use, and proven by nobody. */
    case Printed = 'printed';
    case Nothing = 'nothing';

    /**
     * @param list<SignedSeat> $signed of the material on the surface
     */
    public static function of(array $signed, bool $printed): self
    {
        $seat = self::best($signed);

        return null === $seat ? ($printed ? self::Printed : self::Nothing) : self::ofSeat($seat);
    }

    /**
     * The one that is worth the most: proven before in question before on trial; the longest prints before shorter ones.
     *
     * @param list<SignedSeat> $signed
     */
    public static function best(array $signed): ?SignedSeat
    {
        $order = [self::Proven, self::InQuestion, self::Trial];
        usort($signed, static fn (SignedSeat $a, SignedSeat $b): int => [array_search(self::ofSeat($a), $order, true), -($a->longestMinutes ?? 0.0)]
            <=> [array_search(self::ofSeat($b), $order, true), -($b->longestMinutes ?? 0.0)]);

        return $signed[0] ?? null;
    }

    private static function ofSeat(SignedSeat $seat): self
    {
        return match (true) {
            $seat->trial => self::Trial,
            $seat->doubted => self::InQuestion,
            default => self::Proven,
        };
    }

    public function words(): Sentence
    {
        return Sentence::of('seat_state.'.$this->value);
    }
}
