<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** A disk that fills up under the app: it stops taking in time and says so, people still come in and read, and it goes on when there is room. */
final class DiskPart implements Part
{
    private const SIZE_MB = 620;
    private const FLOOR_MB = 80;
    private const PORT = 18_580;

    public function name(): string
    {
        return 'disk';
    }

    public function run(Rig $rig): array
    {
        $disk = "$rig->data/small-disk";
        @mkdir($disk, 0o755, true);
        [$code] = 0 === posix_geteuid() ? $rig->shell('mount -t tmpfs -o mode=755,size='.self::SIZE_MB.'M tmpfs '.escapeshellarg($disk)) : [1];
        if (0 !== $code) {
            return [new Outcome('a full disk', 'skipped: no small disk can be mounted here', '', null)];
        }
        $environment = [
            'SITZPLATZ_VAR' => $disk, 'SITZPLATZ_PORT' => (string) self::PORT, 'SITZPLATZ_DISK_FLOOR_MB' => (string) self::FLOOR_MB,
            'SITZPLATZ_NEEDED_MB' => '100', 'SITZPLATZ_DEMO_WITHOUT_YEAR' => '1', 'SITZPLATZ_DB_FLUSH' => '2',
        ];
        try {
            [$code, $said] = $rig->shell("$rig->root/bin/start --detach", $environment);

            return 0 === $code ? $this->fill(new Rig($rig->root, $disk, self::PORT, $rig->sizes, $rig->short)) : [new Outcome('an app on a small disk', $said, 'starts', false)];
        } finally {
            $rig->shell("$rig->root/bin/stop", $environment);
            $rig->shell('umount '.escapeshellarg($disk));
            @rmdir($disk);
        }
    }

    /** @return list<Outcome> */
    private function fill(Rig $rig): array
    {
        $client = $rig->client();
        // The keeper comes up beside the app, and on a busy machine some time after it.
        if (!self::until(static fn (): bool => is_file("$rig->data/reserve/room"))) {
            return [new Outcome('room kept for a full disk', 'none after a minute', 'held', false)];
        }
        $plenty = $this->tries($rig, $client);
        $filler = "$rig->data/filler";
        $this->leave($filler, $rig->data, self::FLOOR_MB / 2);
        $low = $this->tries($rig, $client);
        // Something else takes all that is left.
        $this->leave($filler, $rig->data, 0);
        self::until(static fn (): bool => !is_file("$rig->data/reserve/room"));
        usleep(300_000);
        $full = $this->tries($rig, $client);
        unlink($filler);
        self::until(static fn (): bool => disk_free_space($rig->data) > self::FLOOR_MB * 1_048_576);
        $again = $this->tries($rig, $client);
        $say = static fn (array $tries): string => implode(', ', array_map(static fn (string $what, int $times): string => "$what $times", array_keys($tries), $tries));
        $only = static fn (array $tries, string ...$wanted): bool => [] === array_diff(array_keys($tries), $wanted);

        return [
            new Outcome('with room', $say($plenty), 'taken', $only($plenty, 'came in', 'read', 'taken')),
            new Outcome('half the floor left', $say($low), 'refused with 507', $only($low, 'came in', 'read', 'write 507')),
            new Outcome('nothing left', $say($full), 'refused with 507', $only($full, 'came in', 'read', 'write 507')),
            new Outcome('with room again', $say($again), 'taken', $only($again, 'came in', 'read', 'taken')),
        ];
    }

    /** @return array<string, int> */
    private function tries(Rig $rig, Client $client): array
    {
        $counted = [];
        $count = static function (string $what) use (&$counted): void {
            $counted[$what] = ($counted[$what] ?? 0) + 1;
        };
        for ($i = 0; $i < 30; ++$i) {
            $id = Rig::uuid();
            [$status] = $client->send('POST', '/api/lots', ['id' => $id, 'label' => 'D-'.substr($id, -12), 'materialId' => 'pla', 'name' => 'torture', 'driedOn' => null, 'note' => str_repeat('full ', 30)]);
            $count(201 === $status ? 'taken' : "write $status");
            [$status] = $client->send('GET', '/api/plates');
            $count(200 === $status ? 'read' : "read $status");
            if (0 === $i % 5) {
                $status = (new Client($rig->base()))->signIn('viewer');
                $count(200 === $status ? 'came in' : "sign-in $status");
            }
        }

        return $counted;
    }

    /** Fills the disk until so much is free. */
    private function leave(string $filler, string $disk, float $megabytes): void
    {
        $out = fopen($filler, 'a');
        $piece = random_bytes(65_536);
        // So much and no more: what the app gives up meanwhile is not for it.
        for ($bytes = disk_free_space($disk) - $megabytes * 1_048_576; $out && $bytes > 0; $bytes -= $written) {
            $written = (int) @fwrite($out, $piece);
            if ($written < \strlen($piece)) {
                break;
            }
        }
        $out && fclose($out);
    }

    /** @param \Closure(): bool $so */
    private static function until(\Closure $so): bool
    {
        for ($i = 0; $i < 600; ++$i) {
            clearstatcache();
            if ($so()) {
                return true;
            }
            usleep(100_000);
        }

        return false;
    }
}
