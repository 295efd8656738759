<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/** A side, or a side with one agent, that did not pass, with the reason that ruled it out. */
final readonly class Rejection
{
    public function __construct(
        public Proposal $proposal,
        public ?Sentence $reason,
        /** The side is out whatever is put on it. */
        public bool $wholeSide,
        /** It is out for want of knowledge of this agent, and not for a reason. */
        public bool $unknownAgent = false,
    ) {
    }

    public function label(): Phrase
    {
        return $this->wholeSide ? new OwnText($this->proposal->side->label) : $this->proposal->label();
    }
}
