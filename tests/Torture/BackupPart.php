<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** Backed up while people write, put back into another folder: every table has as many rows as were backed up. */
final class BackupPart implements Part
{
    public function name(): string
    {
        return 'backup';
    }

    public function run(Rig $rig): array
    {
        $client = $rig->client();
        $stop = tempnam(sys_get_temp_dir(), 'stop');
        $pid = pcntl_fork();
        if (0 === $pid) {
            $client->renew();
            $client->signIn('technician');
            while (Rig::isThere((string) $stop)) {
                $id = Rig::uuid();
                $client->send('POST', '/api/lots', ['id' => $id, 'label' => 'B-'.substr($id, -12), 'materialId' => 'pla', 'name' => 'meanwhile', 'driedOn' => null, 'note' => '']);
            }
            posix_kill(posix_getpid(), \SIGKILL);
        }
        $key = tempnam(sys_get_temp_dir(), 'key');
        file_put_contents((string) $key, bin2hex(random_bytes(24)));
        [$code, $said] = $rig->shell("$rig->root/bin/backup --drill", ['SITZPLATZ_VAR' => $rig->data, 'SITZPLATZ_BACKUP_KEY' => (string) $key]);
        unlink((string) $stop);
        unlink((string) $key);
        pcntl_waitpid($pid, $status);
        preg_match_all('/^(\w+) +(\d+) +(\d+) same$/m', $said, $same, \PREG_SET_ORDER);
        $rows = array_sum(array_map(static fn (array $each): int => (int) $each[3], $same));

        return [
            new Outcome('tables put back with equal counts', \count($same)." tables, $rows rows", 'all', 0 === $code && \count($same) > 40 && $rows > 1_000),
            Outcome::none('tables that differ', substr_count($said, 'DIFFERS')),
        ];
    }
}
