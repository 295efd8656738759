<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

use Sitzplatz\Words\Fault;
use Sitzplatz\Words\Sentence;

/** A change of a printer was noted without what makes it of use. */
final class BadChange extends Fault
{
    private function __construct(public readonly string $field, Sentence $sentence)
    {
        parent::__construct($sentence);
    }

    public static function without(string $field, string $what): self
    {
        return new self($field, Sentence::of('change.lacks.'.$what));
    }
}
