<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use PHPUnit\Framework\TestCase;

/** What the commands say before they do anything. */
final class StartTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/sitzplatz-start-'.bin2hex(random_bytes(4));
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function testABusyPortIsSaidWithAFreeOne(): void
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($socket);
        $port = substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        [$code, $words] = $this->execute('bin/start --detach', ['SITZPLATZ_PORT' => $port]);
        self::assertSame(1, $code);
        self::assertMatchesRegularExpression("/Port $port is taken by another program. Set SITZPLATZ_PORT to a free one, for example \\d+\\./", $words);
    }

    public function testNonsenseIsRefused(): void
    {
        self::assertSame([1, "Sitzplatz: bin/start knows --detach and --empty, not --fast.\n"], $this->execute('bin/start --fast', []));
        self::assertStringContainsString('has to be a number, not many.', $this->execute('bin/start', ['SITZPLATZ_PORT' => 'many'])[1]);
        self::assertStringContainsString('There is no suite Speed', $this->execute('bin/test Speed', [])[1]);
    }

    public function testTwoStartsDoNotMeet(): void
    {
        mkdir($this->folder, 0755, true);
        $lock = fopen($this->folder.'/start.lock', 'w');
        self::assertIsResource($lock);
        self::assertTrue(flock($lock, \LOCK_EX));
        [$code, $words] = $this->execute('bin/start --detach', ['SITZPLATZ_PORT' => '65000']);
        self::assertSame(1, $code);
        self::assertStringContainsString('Another bin/start is at work', $words);
    }

    /** Between looking for a free port and listening there lay half a minute, in which a second copy found it free too. */
    public function testAPortIsHadByOneCopyFromTheMomentThatItIsLookedFor(): void
    {
        $take = static fn (string $word): string => 'bash -c '.escapeshellarg("source bin/parts/common.sh; VAR={$word}; take_port SOME_PORT 21061; setting SOME_PORT 0; read -r line");
        mkdir($this->folder.'/one', 0755, true);
        mkdir($this->folder.'/two', 0755, true);
        $ports = $copies = [];
        foreach (['one', 'two'] as $copy) {
            $process = proc_open($take(escapeshellarg("$this->folder/$copy")), [['pipe', 'r'], ['pipe', 'w']], $pipes, \dirname(__DIR__, 2));
            self::assertIsResource($process);
            $ports[] = (int) fgets($pipes[1]);
            $copies[] = [$process, $pipes];
        }
        foreach ($copies as [$process, $pipes]) {
            fclose($pipes[0]);
            proc_close($process);
        }
        self::assertGreaterThanOrEqual(21061, min($ports));
        self::assertNotSame($ports[0], $ports[1]);
        // It is anybody's again when its copy has ended.
        exec('cd '.escapeshellarg(\dirname(__DIR__, 2)).' && '.$take(escapeshellarg("$this->folder/one")).' < /dev/null', $lines);
        self::assertSame($ports[0], (int) ($lines[0] ?? 0));
    }

    public function testAFolderThatCannotBeMadeIsSaid(): void
    {
        [$code, $words] = $this->execute('bin/start --detach', ['SITZPLATZ_VAR' => '/proc/nowhere']);
        self::assertSame(1, $code);
        self::assertStringContainsString('cannot be made. Set SITZPLATZ_VAR to one that can.', $words);
    }

    public function testStoppingWhatDoesNotRun(): void
    {
        self::assertSame([0, "Sitzplatz does not run here.\n"], $this->execute('bin/stop', []));
    }

    public function testTheDemoIsNotStartedEmpty(): void
    {
        mkdir($this->folder, 0755, true);
        file_put_contents($this->folder.'/app.env', "SITZPLATZ_DEMO=1\n");
        [$code, $words] = $this->execute('bin/start --empty --detach', ['SITZPLATZ_PORT' => '65001']);
        self::assertSame(1, $code);
        self::assertStringContainsString('This data folder holds the demo.', $words);
    }

    /**
     * @param array<string, string> $environment
     *
     * @return array{int, string}
     */
    private function execute(string $command, array $environment): array
    {
        $process = proc_open(
            'exec '.\dirname(__DIR__, 2).'/'.$command.' 2>&1',
            [1 => ['pipe', 'w']],
            $pipes,
            null,
            $environment + ['SITZPLATZ_VAR' => $this->folder, 'PATH' => (string) getenv('PATH'), 'HOME' => '/tmp'],
        );
        self::assertIsResource($process);
        $words = (string) stream_get_contents($pipes[1]);

        return [proc_close($process), $words];
    }
}
