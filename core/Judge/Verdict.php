<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Words\Sentence;

/** The four verdicts on a setup. */
enum Verdict: string
{
    case HoldsAndLetsGo = 'holds_and_lets_go';
    case HoldsWillNotLetGo = 'holds_will_not_let_go';
    case DoesNotHold = 'does_not_hold';
    case NotYetKnown = 'not_yet_known';

    public static function combining(Answer $holds, Answer $letsGo): self
    {
        return match (true) {
            Answer::No === $holds => self::DoesNotHold,
            Answer::NotYet === $holds || Answer::NotYet === $letsGo => self::NotYetKnown,
            Answer::Yes === $letsGo => self::HoldsAndLetsGo,
            default => self::HoldsWillNotLetGo,
        };
    }

    public function words(): Sentence
    {
        return Sentence::of('verdict.'.$this->value);
    }
}
