<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\HttpFoundation\Session\Storage\Handler\PdoSessionHandler;

/** Sessions in the database, found by a digest of what the browser has: whoever reads the table, or a copy of it, gets in nowhere. */
final class DigestedSessions extends PdoSessionHandler
{
    public function updateTimestamp(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        return parent::updateTimestamp(self::digest($sessionId), $data);
    }

    protected function doRead(#[\SensitiveParameter] string $sessionId): string
    {
        return parent::doRead(self::digest($sessionId));
    }

    protected function doWrite(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        return parent::doWrite(self::digest($sessionId), $data);
    }

    protected function doDestroy(#[\SensitiveParameter] string $sessionId): bool
    {
        return parent::doDestroy(self::digest($sessionId));
    }

    /** An identifier has 128 bits of chance and more: nothing is won by trying, so that no salt and no delay is needed. */
    private static function digest(#[\SensitiveParameter] string $sessionId): string
    {
        return hash('sha256', $sessionId);
    }
}
