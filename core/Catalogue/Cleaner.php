<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

/** What plates are cleaned with. */
final readonly class Cleaner
{
    public function __construct(
        public string $id,
        public string $name,
        public string $how,
        /** What can hurt, or null. */
        public ?string $hazard,
        public Basis $basis,
    ) {
    }
}
