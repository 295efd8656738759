<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Device\Bench;
use App\Device\GaugeUnreachable;
use App\Device\TcpForceGauge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\PullSample;

/** The line protocol of docs/formats.md, against gauges that keep to it and gauges that do not. */
final class GaugeTest extends TestCase
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

    public function testAPull(): void
    {
        $gauge = new TcpForceGauge('127.0.0.1', $this->gauge('GAUGE 1 range=120.5 unit=N', ['OK', 'OK', "OK\nF 0 0.00\nF 50 12.5\nF 100 -0.02\nEND"]));
        self::assertEqualsWithDelta(120.5, $gauge->rangeN(), 0);
        $samples = array_map(static fn (PullSample $s): array => [$s->milliseconds, $s->forceN], [...$gauge->pull(self::bench())]);
        self::assertEqualsWithDelta([[0, 0.0], [50, 12.5], [100, -0.02]], $samples, 0);
    }

    public function testTheReaderSaysWhatLiesUnderTheGauge(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'heard');
        $gauge = new TcpForceGauge('127.0.0.1', $this->gauge('GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nEND"], $file));
        self::assertSame([], [...$gauge->pull(self::bench())]);
        self::assertSame("BENCH material=pla surface=glass agent=- pull=hot bed=60\nZERO\nSTART\n", file_get_contents($file));
        unlink($file);
    }

    /** @return iterable<string, array{string, list<string>, string}> greeting, answers, words */
    public static function strangers(): iterable
    {
        yield 'another device' => ['SCALE 3', [], 'The gauge said "SCALE 3"'];
        yield 'another unit' => ['GAUGE 1 range=200 unit=kg', [], 'not understood'];
        yield 'a refusal' => ['GAUGE 1 range=200 unit=N', ['ERROR'], 'The gauge said "ERROR"'];
        yield 'a broken sample' => ['GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nF 0 0.0\nF x 1"], 'The gauge said "F x 1"'];
        yield 'not a number' => ['GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nF 0 NaN"], 'not understood'];
        yield 'a cut cable' => ['GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nF 0 0.0"], 'fell silent'];
    }

    /** @param list<string> $answers */
    #[DataProvider('strangers')]
    public function testWhatGoesWrongIsSaid(string $greeting, array $answers, string $words): void
    {
        $this->expectException(GaugeUnreachable::class);
        $this->expectExceptionMessage($words);
        foreach ((new TcpForceGauge('127.0.0.1', $this->gauge($greeting, $answers)))->pull(self::bench()) as $sample) {
            self::assertGreaterThanOrEqual(0, $sample->milliseconds);
        }
    }

    public function testNobodyThere(): void
    {
        $this->expectException(GaugeUnreachable::class);
        $this->expectExceptionMessage('does not answer. Is it switched on and connected?');
        new TcpForceGauge('127.0.0.1', 1);
    }

    private static function bench(): Bench
    {
        return new Bench('pla', 'glass', null, 'hot', 60);
    }

    /**
     * A gauge in a process of its own: it greets, answers each line with the next answer, and hangs up.
     *
     * @param list<string> $answers
     */
    private function gauge(string $greeting, array $answers, string $heard = '/dev/null'): int
    {
        $code = '$s = stream_socket_server("tcp://127.0.0.1:0"); echo stream_socket_get_name($s, false), "\n"; $c = stream_socket_accept($s, 10);'
            .'fwrite($c, $argv[1]."\n"); foreach (array_slice($argv, 3) as $answer) { $line = fgets($c); file_put_contents($argv[2], $line, FILE_APPEND); fwrite($c, $answer."\n"); } fclose($c);';
        $process = proc_open([\PHP_BINARY, '-r', $code, '--', $greeting, $heard, ...$answers], [1 => ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        $this->process = $process;

        return (int) substr((string) strrchr((string) fgets($pipes[1]), ':'), 1);
    }
}
