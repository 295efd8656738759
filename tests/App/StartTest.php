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
