<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

/** A measuring device that speaks in lines, for a test. */
trait PlaysADevice
{
    /** @var resource|null */
    private $process;

    protected function tearDown(): void
    {
        if (\is_resource($this->process)) {
            proc_terminate($this->process);
            proc_close($this->process);
        }
    }

    /**
     * A device in a process of its own: it greets, answers each line with the next answer, and hangs up.
     *
     * @param list<string> $answers
     *
     * @return string where it is reached
     */
    private function device(string $greeting, array $answers, string $heard = '/dev/null'): string
    {
        $code = '$s = stream_socket_server("tcp://127.0.0.1:0"); echo stream_socket_get_name($s, false), "\n"; $c = stream_socket_accept($s, 10);'
            .'fwrite($c, $argv[1]."\n"); foreach (array_slice($argv, 3) as $answer) { $line = fgets($c); file_put_contents($argv[2], $line, FILE_APPEND); fwrite($c, $answer."\n"); } fclose($c);';
        $process = proc_open([\PHP_BINARY, '-r', $code, '--', $greeting, $heard, ...$answers], [1 => ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        $this->process = $process;

        return trim((string) fgets($pipes[1]));
    }
}
