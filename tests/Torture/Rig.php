<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** The app that is tried: where it is, who runs in it, what is in its database. */
final readonly class Rig
{
    /** @param array<string, int> $sizes rounds, seconds, inputs */
    public function __construct(
        public string $root,
        public string $data,
        public int $port,
        public array $sizes,
        public bool $short,
    ) {
    }

    public function base(): string
    {
        return "http://127.0.0.1:$this->port";
    }

    /** Where it listens over TLS, as host:port; null: nowhere. */
    public function network(): ?string
    {
        return '' === $this->setting('SITZPLATZ_BIND') ? null : $this->setting('SITZPLATZ_BIND').':'.$this->setting('SITZPLATZ_TLS_PORT');
    }

    /** '': it is not set. */
    public function setting(string $name): string
    {
        return 1 === preg_match("/^$name=(.+)$/m", (string) @file_get_contents("$this->data/app.env"), $match) ? $match[1] : '';
    }

    public function client(string $role = 'technician'): Client
    {
        $client = new Client($this->base());
        $status = $client->signIn($role);

        return 200 === $status ? $client : throw new \RuntimeException("No $role came in: $status");
    }

    public function run(): string
    {
        return \strlen("$this->data/run") > 80 ? '/tmp/sitzplatz-'.substr(hash('sha256', $this->data), 0, 12) : "$this->data/run";
    }

    /** @return array<string, list<int>> the processes of each place, those that it left behind too */
    public function processes(): array
    {
        $processes = [];
        foreach (glob('/proc/[0-9]*/fd/8') ?: [] as $link) {
            $place = @readlink($link);
            if (\is_string($place) && str_starts_with($place, $this->run().'/own/')) {
                $processes[basename($place)][] = (int) explode('/', $link)[2];
            }
        }
        unset($processes['supervisor']);

        return $processes;
    }

    public function sql(string $sql): string
    {
        $owner = 0 === posix_geteuid() ? 'mysql' : (posix_getpwuid(posix_geteuid())['name'] ?? '');

        return $this->shell(\sprintf(
            '%smariadb --no-defaults --socket=%s/db/db.sock --user=%s -N -e %s sitzplatz',
            0 === posix_geteuid() ? 'runuser -u mysql -- ' : '',
            escapeshellarg($this->run()),
            $owner,
            escapeshellarg($sql),
        ))[1];
    }

    /**
     * @param array<string, string> $environment
     *
     * @return array{int, string} exit code, and what it said
     */
    public function shell(string $command, array $environment = []): array
    {
        $said = '';
        foreach ($environment as $name => $value) {
            $said .= $name.'='.escapeshellarg($value).' ';
        }
        exec($said.$command.' 2>&1', $lines, $code);

        return [$code, implode("\n", $lines)];
    }

    /**
     * Several at once, each as a process of its own.
     *
     * @param \Closure(int): array<string, int|float> $work what each counted
     *
     * @return array<string, int|float> summed over all
     */
    public function together(int $people, \Closure $work): array
    {
        $files = [];
        for ($i = 0; $i < $people; ++$i) {
            $files[$i] = tempnam(sys_get_temp_dir(), 'torture');
            $pid = pcntl_fork();
            if (0 === $pid) {
                $counted = $work($i);
                file_put_contents((string) $files[$i], json_encode($counted));
                // Nothing of the parent is ended along.
                posix_kill(posix_getpid(), \SIGKILL);
            }
        }
        while (pcntl_wait($status) > 0) {
            continue;
        }
        $sum = [];
        foreach ($files as $file) {
            $counted = json_decode((string) file_get_contents((string) $file), true);
            unlink((string) $file);
            \is_array($counted) || throw new \RuntimeException('Somebody of several did not come to an end.');
            foreach ($counted as $name => $count) {
                $sum[$name] = ($sum[$name] ?? 0) + $count;
            }
        }

        return $sum;
    }

    /** Also where another process took it away a moment ago. */
    public static function isThere(string $file): bool
    {
        clearstatcache(true, $file);

        return is_file($file);
    }

    public static function uuid(): string
    {
        $bytes = substr(pack('J', (int) (microtime(true) * 1000)), 2).random_bytes(10);
        $bytes[6] = \chr(0x70 | (\ord($bytes[6]) & 0x0F));
        $bytes[8] = \chr(0x80 | (\ord($bytes[8]) & 0x3F));

        return vsprintf('%s%s-%s-%s-%s-%s%s%s', str_split(bin2hex($bytes), 4));
    }
}
