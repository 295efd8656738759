<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Psr\Log\AbstractLogger;

/** Keeps what was read from the database while somebody listens. */
final class SeenSql extends AbstractLogger
{
    public bool $listens = false;
    /** @var array<string, array<mixed>> parameters by statement, each once */
    public array $reads = [];

    /** @param array<mixed> $context */
    public function log(mixed $level, string|\Stringable $message, array $context = []): void
    {
        $sql = $context['sql'] ?? null;
        if ($this->listens && \is_string($sql) && 1 === preg_match('/^\s*SELECT/i', $sql)) {
            $this->reads[$sql] ??= \is_array($context['params'] ?? null) ? $context['params'] : [];
        }
    }
}
