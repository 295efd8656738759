<?php

declare(strict_types=1);

namespace App\Keep;

/** What a profile would say by the evidence of today. */
final readonly class Proposed
{
    /** @param array<string, mixed> $document as docs/schemas/profile.schema.json has it, texts as a record keeps them */
    public function __construct(
        public array $document,
        /** When the last run that counts ended; null: none counts. */
        public ?\DateTimeImmutable $evidenceUntil,
    ) {
    }
}
