<?php

declare(strict_types=1);

namespace Sitzplatz\Catalogue;

use Sitzplatz\Words\CatalogueText;

/** What plates are cleaned with. */
final readonly class Cleaner
{
    public function __construct(
        public string $id,
        public CatalogueText $name,
        public CatalogueText $how,
        /** What can hurt, or null. */
        public ?CatalogueText $hazard,
        public Basis $basis,
    ) {
    }
}
