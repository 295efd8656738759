<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Sentence;

/** A command that cannot be carried out as things stand: why, and which entry would have to change. */
final class Refusal extends Fault
{
    private function __construct(
        public readonly RefusalKind $kind,
        Sentence $sentence,
        /** The entry that is at fault; "" where none is. */
        public readonly string $field = '',
    ) {
        parent::__construct($sentence);
    }

    /** The entry cannot be taken. */
    public static function entry(string $field, Sentence $sentence): self
    {
        return new self(RefusalKind::Entry, $sentence, $field);
    }

    /** Things stand otherwise than the command takes for granted. */
    public static function state(Sentence $sentence, string $field = ''): self
    {
        return new self(RefusalKind::State, $sentence, $field);
    }

    /** This person may not do it. */
    public static function person(Sentence $sentence): self
    {
        return new self(RefusalKind::Person, $sentence);
    }
}
