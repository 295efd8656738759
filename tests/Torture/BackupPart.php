<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** Backed up while people write and put back into another folder; and what somebody made of a backup to get more than rows. */
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
        [$code, $said] = $rig->shell("$rig->root/bin/backup --drill", ['SITZPLATZ_VAR' => $rig->data]);
        unlink((string) $stop);
        pcntl_waitpid($pid, $status);
        preg_match_all('/^(\w+) +(\d+) +(\d+) same$/m', $said, $same, \PREG_SET_ORDER);
        $rows = array_sum(array_map(static fn (array $each): int => (int) $each[3], $same));
        $sessions = array_values(array_filter($same, static fn (array $each): bool => 'session' === $each[1]));

        return [
            new Outcome('tables put back with equal counts', \count($same)." tables, $rows rows", 'all', 0 === $code && \count($same) > 40 && $rows > 1_000),
            Outcome::none('tables that differ', substr_count($said, 'DIFFERS')),
            new Outcome('sessions in it', $sessions[0][2] ?? 'no table', '0', '0' === ($sessions[0][2] ?? null)),
            ...$this->evil($rig),
        ];
    }

    /** @return list<Outcome> */
    private function evil(Rig $rig): array
    {
        $place = sys_get_temp_dir().'/sitzplatz-evil-'.bin2hex(random_bytes(4));
        mkdir("$place/backups", 0o755, true);
        try {
            return $this->tried($rig, new ForgedBackups($rig, $place), $place);
        } finally {
            $rig->shell('rm -rf '.escapeshellarg($place));
        }
    }

    /** @return list<Outcome> */
    private function tried(Rig $rig, ForgedBackups $forged, string $place): array
    {
        $strangers = ["$place/backups/.making-theirs", "$place/backups/theirs.part", "$place/backups/.sitzplatz-making-theirs/of"];
        mkdir(\dirname($strangers[2]));
        foreach ($strangers as $each) {
            file_put_contents($each, 'somebody else');
        }
        [, $said] = $rig->shell("$rig->root/bin/backup", ['SITZPLATZ_VAR' => $rig->data, 'SITZPLATZ_BACKUPS' => "$place/backups"]);
        $backup = preg_match('/^Backed up: (\S+)/m', $said, $match) ? $match[1] : throw new \RuntimeException("No backup was made: $said");
        $outcomes = [Outcome::none('files of strangers removed', \count($strangers) - \count(array_filter($strangers, Rig::isThere(...))))];

        $forged->open($backup);
        $mark = "$place/mark";
        $sql = [
            'a command of the machine' => "\\! touch $mark\n",
            'a trigger' => 'CREATE TRIGGER evil BEFORE INSERT ON run FOR EACH ROW SET @evil = 1;',
            'a change from the future' => "INSERT INTO doctrine_migration_versions VALUES ('App\\\\Migrations\\\\Version99990101000000', NULL, 0);",
            'system' => "system touch $mark\n",
            'a file of the server' => "SELECT 'evil' INTO OUTFILE '/tmp/".basename($place)."';",
            'an account' => "CREATE USER 'evil'@'localhost';",
            'a right' => "GRANT ALL ON *.* TO 'restoring'@'localhost';",
            'a view' => 'CREATE VIEW evil AS SELECT 1;',
            'a routine' => 'CREATE PROCEDURE evil() SELECT 1;',
            'an event' => 'CREATE EVENT evil ON SCHEDULE EVERY 1 DAY DO SELECT 1;',
            'a place of its own' => "CREATE TABLE evil (a INT) DATA DIRECTORY '/tmp';",
            'another kind of table' => 'CREATE TABLE evil (a INT NOT NULL) ENGINE=CSV;',
            'a table that nobody knows' => 'CREATE TABLE evil (a INT);',
            'another schema' => 'CREATE DATABASE evil;',
        ];
        if ($rig->short) {
            $sql = \array_slice($sql, 0, 2);
        }
        $bad = [];
        foreach ($sql as $what => $line) {
            $bad[$what] = $forged->withSql($line);
        }
        $bad['a program beside the certificates'] = $forged->withTls(['node/evil' => '#!/bin/sh']);
        $bad['a certificate that is a link'] = $forged->withTls(['server.pem' => '-> /etc/passwd']);
        $bad['a certificate from outside'] = $forged->withTls(['../server.pem' => 'evil']);
        $bad['a part that is a link'] = $forged->withLink();
        $bad['the name of a later version'] = $forged->fromTheFuture();
        $taken = [];
        foreach ($bad as $what => $file) {
            if ($this->isPutBack($rig, $file, "$place/into", $forged->key) || Rig::isThere($mark)) {
                $taken[] = $what;
            }
        }
        // Else all of them may be refused because they are badly made.
        $harmless = $this->isPutBack($rig, $forged->withSql('SELECT 1;'), "$place/into", $forged->key);
        $outcomes[] = new Outcome('one made in the same way, with nothing evil in it', $harmless ? 'put back' : 'refused', 'put back', $harmless);
        $outcomes[] = Outcome::none('evil backups of '.\count($bad).', with the right key, taken', \count($taken), ' '.implode(', ', $taken));

        $bytes = (string) file_get_contents($backup);
        $bytes[40_000] = "\0" === $bytes[40_000] ? "\1" : "\0";
        file_put_contents("$place/changed", $bytes);
        $another = "$place/another.key";
        file_put_contents($another, str_repeat('another key ', 3));
        $unproven = [
            'changed' => $this->isPutBack($rig, "$place/changed", "$place/into", $forged->key),
            'by another key' => $this->isPutBack($rig, $backup, "$place/into", $another),
            'without a proof' => $this->isPutBack($rig, $forged->plain(), "$place/into", $forged->key),
            'without a key' => $this->isPutBack($rig, $backup, "$place/into", null),
        ];
        $outcomes[] = Outcome::none('backups taken that no key proves', \count(array_filter($unproven)), ' '.implode(', ', array_keys(array_filter($unproven))));
        array_push($outcomes, ...$this->placed($rig, $backup, $place, $forged->key));

        return $outcomes;
    }

    /** @return list<Outcome> where a folder is named whose data lie elsewhere, and where the data are from a later version */
    private function placed(Rig $rig, string $backup, string $place, string $key): array
    {
        $outcomes = [];
        if (0 === posix_geteuid()) {
            mkdir("$place/closed", 0o700);
            $there = '/var/lib/sitzplatz/'.substr(hash('sha256', "$place/closed/data"), 0, 12);
            mkdir($there, 0o755, true);
            file_put_contents("$there/theirs", 'somebody else');
            $taken = $this->isPutBack($rig, $backup, "$place/closed/data", $key);
            $outcomes[] = new Outcome('what stood in for the folder', Rig::isThere("$there/theirs") ? 'as it was' : 'gone', 'as it was', !$taken && ['theirs'] === array_values(array_diff(scandir($there) ?: [], ['.', '..'])));
            $rig->shell('rm -rf '.escapeshellarg($there));
        }
        [$code] = $rig->shell("$rig->root/bin/restore --trusted ".escapeshellarg($backup).' '.escapeshellarg("$place/later"));
        $outcomes[] = new Outcome('what is trusted, put back', 0 === $code ? 'yes' : 'no', 'yes', 0 === $code);
        $rig->shell(\sprintf(
            'bash -c %s',
            escapeshellarg(\sprintf(
                '. bin/parts/common.sh; use_data_folder %s; install_php; install_servers; database_files; { exec 8>> "$RUN/own/database"; run_database; } > /dev/null 2>&1 & await_database; '
                .'database_root mariadb sitzplatz -e "INSERT INTO doctrine_migration_versions VALUES (CONCAT(CHAR(65), CHAR(92), \'Version99990101000000\'), NULL, 0)"; kill $!; wait $!',
                escapeshellarg("$place/later"),
            )),
        ));
        [$code, $said] = $rig->shell("$rig->root/bin/start --detach", ['SITZPLATZ_VAR' => "$place/later", 'SITZPLATZ_PORT' => (string) ($rig->port + 7)]);
        if (0 === $code) {
            $rig->shell("$rig->root/bin/stop", ['SITZPLATZ_VAR' => "$place/later"]);
        }
        $outcomes[] = new Outcome('data of a later version', 0 === $code ? 'taken' : 'refused', 'refused', 0 !== $code && str_contains($said, 'later version'));

        return $outcomes;
    }

    /** Whether anything of it is there afterwards. */
    private function isPutBack(Rig $rig, string $file, string $folder, ?string $key): bool
    {
        [$code] = $rig->shell(\sprintf('%s/bin/restore %s %s < /dev/null', $rig->root, escapeshellarg($file), escapeshellarg($folder)), null === $key ? [] : ['SITZPLATZ_BACKUP_KEY' => $key]);
        $left = array_diff(@scandir($folder) ?: [], ['.', '..']);
        $rig->shell('rm -rf '.escapeshellarg($folder));

        return 0 === $code || [] !== $left;
    }
}
