<?php

declare(strict_types=1);

namespace Sitzplatz\Shape;

use Sitzplatz\Words\Phrase;

/** What a part's file was. */
interface FormatName
{
    public function key(): string;

    public function words(): Phrase;
}
