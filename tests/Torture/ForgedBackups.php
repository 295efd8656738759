<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** Backups as somebody would make them who got hold of one and of its key: proven, and with something in it that is no row. */
final class ForgedBackups
{
    public readonly string $key;
    private readonly string $parts;
    private int $made = 0;

    public function __construct(private readonly Rig $rig, private readonly string $place)
    {
        $this->key = "$rig->data/backup.key";
        $this->parts = "$place/parts";
    }

    public function open(string $backup): void
    {
        mkdir($this->parts);
        $this->do('php bin/console sitzplatz:seal --open %s < %s | tar -C %s -xf -', $this->key, $backup, $this->parts);
    }

    /** @return string the file */
    public function withSql(string $sql): string
    {
        return $this->made(static function (string $parts) use ($sql): void {
            // In front of what says that it is whole.
            $dump = (string) gzdecode((string) file_get_contents("$parts/database.sql.gz"));
            file_put_contents("$parts/database.sql.gz", gzencode(str_replace('-- Dump completed', "$sql\n-- Dump completed", $dump)));
        });
    }

    /** @param array<string, string> $files contents by name, or "-> where to" */
    public function withTls(array $files): string
    {
        return $this->made(function (string $parts) use ($files): void {
            $from = "$parts/made";
            mkdir("$from/in", 0o755, true);
            foreach ($files as $name => $content) {
                is_dir(\dirname("$from/in/$name")) || mkdir(\dirname("$from/in/$name"), 0o755, true);
                str_starts_with($content, '-> ') ? symlink(substr($content, 3), "$from/in/$name") : file_put_contents("$from/in/$name", $content);
                $this->do('tar -C %s -P -cf %s %s', "$from/in", "$parts/tls.tar", $name);
            }
            $this->do('rm -rf %s', $from);
        });
    }

    public function withLink(): string
    {
        return $this->made(static function (string $parts): void {
            unlink("$parts/keys.env");
            symlink('/etc/hostname', "$parts/keys.env");
        });
    }

    public function fromTheFuture(): string
    {
        return $this->made(static function (string $parts): void {
            file_put_contents("$parts/manifest", preg_replace('/^change .*$/m', 'change App\\\\Migrations\\\\Version99990101000000', (string) file_get_contents("$parts/manifest")));
        });
    }

    /** As backups were before there was a proof. */
    public function plain(): string
    {
        return $this->made(static function (): void {
        }, false);
    }

    private function made(\Closure $change, bool $proven = true): string
    {
        $parts = "$this->place/forging";
        $file = "$this->place/forged-".++$this->made;
        $this->do('rm -rf %1$s && cp -r %2$s %1$s', $parts, $this->parts);
        // A link that an earlier one had would be remembered.
        clearstatcache(true);
        $change($parts);
        $manifest = (string) file_get_contents("$parts/manifest");
        foreach (['database.sql.gz', 'keys.env', 'tls.tar'] as $part) {
            $manifest = (string) preg_replace('/^sha256 \S+  '.preg_quote($part, '/').'$/m', 'sha256 '.hash_file('sha256', "$parts/$part").'  '.$part, $manifest);
        }
        file_put_contents("$parts/manifest", $manifest);
        $this->do('tar -C %s -cf %s manifest database.sql.gz keys.env tls.tar', $parts, "$file.tar");
        $proven ? $this->do('php bin/console sitzplatz:seal --prove %s < %s > %s', $this->key, "$file.tar", $file) : rename("$file.tar", $file);

        return $file;
    }

    private function do(string $command, string ...$words): void
    {
        [$code, $said] = $this->rig->shell('cd '.escapeshellarg($this->rig->root).' && '.\sprintf($command, ...array_map(escapeshellarg(...), $words)));
        0 === $code || throw new \RuntimeException("$command: $said");
    }
}
