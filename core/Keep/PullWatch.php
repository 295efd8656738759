<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

/** Pulls of the evidence of a profile, and those of runs that were made as it has it since; forces in N. */
final readonly class PullWatch
{
    /** @param list<array{n: float, at: string}> $since exact ones, in their order; when, ISO 8601 */
    public function __construct(
        /** Else cold. */
        public bool $hot,
        /** All of them exact: where a scale topped out, mean and spread are not known. */
        public int $readings,
        public float $meanN,
        public float $sdN,
        public array $since,
    ) {
    }
}
