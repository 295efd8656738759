<?php

declare(strict_types=1);

namespace Sitzplatz\Fix;

use Sitzplatz\Words\Sentence;

/** A cause with the share of belief that is on it now. */
final readonly class Suspect
{
    public function __construct(
        public Cause $cause,
        public float $share,
        public ?Sentence $why,
        /** How often it was the cause in this shop. */
        public int $here,
        /** It was tried, and did not end it. */
        public bool $tried,
    ) {
    }
}
