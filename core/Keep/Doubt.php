<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Sentence;

/** Why a profile is not to be trusted as it stands, and what would restore it. */
final readonly class Doubt
{
    /** @param string $kind evidence, sheet, plate, change, drift, review */
    public function __construct(public string $kind, public Sentence $reason, public Sentence $restoredBy)
    {
    }
}
