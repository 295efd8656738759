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
        $has = static fn (\Closure $is): bool => [] !== array_filter($signed, $is);

        return match (true) {
            $has(static fn (SignedSeat $seat): bool => !$seat->trial && !$seat->doubted) => self::Proven,
            $has(static fn (SignedSeat $seat): bool => !$seat->trial) => self::InQuestion,
            $has(static fn (SignedSeat $seat): bool => $seat->trial) => self::Trial,
            $printed => self::Printed,
            default => self::Nothing,
        };
    }

    public function words(): Sentence
    {
        return Sentence::of('seat_state.'.$this->value);
    }
}
