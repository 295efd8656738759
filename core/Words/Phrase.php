<?php

declare(strict_types=1);

namespace Sitzplatz\Words;

/** What may stand in a sentence: a quantity, a name, a day, a list, or another sentence. */
interface Phrase
{
    /** @return array<string, mixed> as plain data, from which {@see Stored} makes it again */
    public function toArray(): array;
}
