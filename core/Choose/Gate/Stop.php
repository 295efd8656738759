<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Words\Sentence;

/** A limit on the bed scale: of the surface, the magnet or the printer. */
final readonly class Stop
{
    public function __construct(
        public string $kind,
        public Sentence $label,
        public float $atC,
        /** It limits the surface itself; the others limit what lies below it, as the display shows it. */
        public bool $onSurface = false,
    ) {
    }
}
