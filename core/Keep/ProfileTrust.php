<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Sentence;

/** What a signed profile is worth for a job. Proven is only what is validated, in scope and not in doubt. */
enum ProfileTrust: string
{
    case Proven = 'proven';
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
            default => self::Proven,
        };
    }

    /** The most to be trusted first. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    public function words(): Sentence
    {
        return Sentence::of('trust.'.$this->value);
    }
}
