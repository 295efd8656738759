<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What a signed profile is worth for a job. Proven is only what is validated, in scope and not in doubt. */
enum ProfileTrust: string
{
    case Proven = 'proven';
    /** Validated and in scope, as far as the job says what it is: it does not say how long it takes. */
    case ProvenUpTo = 'proven_up_to';
    /** Validated, but the job goes beyond what was proven. */
    case OutOfScope = 'out_of_scope';
    /** Validated, but the sheet, the printer or the time has moved on. */
    case InQuestion = 'in_question';
    case Trial = 'trial';

    /**
     * @param array<string, bool|null> $inside as {@see Scope::inside}
     * @param list<Doubt>              $doubts
     */
    public static function of(bool $trial, array $inside, array $doubts): self
    {
        return match (true) {
            $trial => self::Trial,
            [] !== $doubts => self::InQuestion,
            \in_array(false, $inside, true) => self::OutOfScope,
            // The tick is for what is known to be inside.
            \in_array(null, $inside, true) => self::ProvenUpTo,
            default => self::Proven,
        };
    }

    /** The most to be trusted first. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    /** @param float|null $longestMinutes of the prints that it was proven for; null: none was measured */
    public function words(?float $longestMinutes): Sentence
    {
        return self::ProvenUpTo === $this && null !== $longestMinutes
            ? Sentence::of('known.proven_up_to', longest: Quantity::minutes($longestMinutes))
            : Sentence::of('trust.'.$this->value);
    }
}
