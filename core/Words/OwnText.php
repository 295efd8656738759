<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** A name or text as somebody wrote it: of a printer, a plate, a lot, a person, a file; never translated. */
final readonly class OwnText implements Phrase
{
    public function __construct(public string $text)
    {
    }

    public function toArray(): array
    {
        return ['own' => $this->text];
    }
}
