<?php

declare(strict_types=1);

namespace Sitzplatz\Choose;

/** A proposal that did not pass, with the reason that ruled it out. */
final readonly class Rejection
{
    public function __construct(public Proposal $proposal, public string $reason)
    {
    }

    public function label(): string
    {
        return $this->proposal->side->label.', '.($this->proposal->agent->name ?? 'bare');
    }
}
