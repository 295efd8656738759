<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Words\Sentence;

/** What the record should say, or what is to be done next, when something was the cause. */
enum Then: string
{
    case Wash = 'wash';
    case Coat = 'coat';
    case Scuff = 'scuff';
    /** The printer was levelled: what was proven on it before is in question. */
    case Levelling = 'levelling';
    /** The surface temperature against the display. */
    case Measure = 'measure';
    case Choose = 'choose';
    /** Find out by a comparison whether it is so, before it becomes a rule. */
    case Compare = 'compare';
    case Dry = 'dry';
    /** Something was wrong with the machine: runs made meanwhile are to be declared void. */
    case Fault = 'fault';
    case NewSheet = 'new_sheet';
    case Nothing = 'nothing';

    /** Null: nothing is left to do. */
    public function words(): ?Sentence
    {
        return self::Nothing === $this ? null : Sentence::of('fix.then.'.$this->value);
    }
}
