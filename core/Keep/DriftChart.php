<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Sentence;

/** One of the sums that a profile is watched by. */
final readonly class DriftChart
{
    /** @param list<float> $path after each print or reading; at the limit it has drifted */
    public function __construct(
        public DriftKind $kind,
        public array $path,
        /** When the limit was reached first, ISO 8601; null: it was not. */
        public ?string $drifted,
        /** What it has come to. */
        public Sentence $sentence,
    ) {
    }
}
