<?php

declare(strict_types=1);

namespace Sitzplatz\Care;

use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Words\CatalogueText;

/** One thing to do, with how long it takes where a timer runs, and what can hurt there. */
final readonly class ProcedureStep
{
    public function __construct(
        public CatalogueText $do,
        public ?float $minutes,
        public ?CatalogueText $caution,
        /** How it is done where the plate does not come off its printer; null: the same. */
        private ?CatalogueText $fixed = null,
    ) {
    }

    public function on(PlateBuild $build): CatalogueText
    {
        return $build->comesOff ? $this->do : $this->fixed ?? $this->do;
    }
}
