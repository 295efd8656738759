<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life\Fact;

use Sitzplatz\Words\Phrase;

/** The run is void. */
final readonly class DeclaredVoid implements RunFact
{
    public function __construct(
        public Phrase $reason,
        /** By whoever made it, with the outcome known. */
        public bool $alone,
    ) {
    }
}
