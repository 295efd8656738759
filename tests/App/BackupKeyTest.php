<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Backup\BackupKey;
use App\Platform\Backup\KnownKey;

final class BackupKeyTest extends ApiTestCase
{
    private function known(): KnownKey
    {
        $known = self::getContainer()->get(KnownKey::class);
        self::assertInstanceOf(KnownKey::class, $known);

        return $known;
    }

    /** @return list<string> */
    private function reminded(): array
    {
        return array_values(array_filter(array_column($this->ask('GET', '/api/overview', null, 200)['next'], 'kind'), static fn (string $kind): bool => 'backup' === $kind));
    }

    public function testALeadIsRemindedUntilTheKeyWasWrittenDown(): void
    {
        $key = BackupKey::fresh();
        $this->known()->meet($key, false);
        $this->signIn('technician');
        self::assertSame([], $this->reminded());
        $this->ask('GET', '/api/backup-key', null, 403);
        $this->signIn('lead');
        self::assertSame(['backup'], $this->reminded());
        self::assertSame('to_write_down', $this->ask('GET', '/api/backup-key', null, 200)['state']);
        $refused = $this->ask('POST', '/api/backup-key', ['lastGroup' => substr($key->text, 0, 3).'-'], 422);
        self::assertSame('lastGroup', $refused['errors'][0]['field']);
        self::assertSame(['backup'], $this->reminded());
        $confirmed = $this->ask('POST', '/api/backup-key', ['lastGroup' => strtolower(substr($key->inGroups(), -4))], 200);
        self::assertSame(['written_down', gmdate('Y-m-d')], [$confirmed['state'], $confirmed['writtenDownOn']]);
        self::assertSame([], $this->reminded());
        self::assertSame(1, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM audit_entry WHERE action = 'backup key written down'"));

        $this->known()->meet($key, false);
        self::assertSame([], $this->reminded(), 'The same key after the next start.');
        $this->known()->meet(BackupKey::fresh(), false);
        self::assertSame(['backup'], $this->reminded(), 'Another one has to be written down too.');
    }

    public function testAKeyThatSomebodyChoseIsKeptByThemAndLeavesNoTraceToGuessBy(): void
    {
        $this->known()->meet(BackupKey::of('swordfish on the second shelf'), true);
        $this->signIn('lead');
        self::assertSame('chosen', $this->ask('GET', '/api/backup-key', null, 200)['state']);
        self::assertSame([], $this->reminded());
        $this->ask('POST', '/api/backup-key', ['lastGroup' => 'helf'], 422);
        self::assertSame(['', 'chosen'], $this->database()->fetchNumeric('SELECT end_digest, fingerprint FROM backup_key ORDER BY id DESC LIMIT 1'));
    }
}
