<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Device\Bench;
use App\Device\InstrumentUnreachable;
use App\Device\TcpForceGauge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\PullSample;

/** The line protocol of docs/formats.md, against gauges that keep to it and gauges that do not. */
final class GaugeTest extends TestCase
{
    use PlaysADevice;

    public function testAPull(): void
    {
        $gauge = new TcpForceGauge($this->device('GAUGE 1 range=120.5 unit=N', ['OK', 'OK', "OK\nF 0 0.00\nF 50 12.5\nF 100 -0.02\nEND"]));
        self::assertEqualsWithDelta(120.5, $gauge->rangeN(), 0);
        $samples = array_map(static fn (PullSample $s): array => [$s->milliseconds, $s->forceN], [...$gauge->pull(self::bench())]);
        self::assertEqualsWithDelta([[0, 0.0], [50, 12.5], [100, -0.02]], $samples, 0);
    }

    public function testTheReaderSaysWhatLiesUnderTheGauge(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'heard');
        $gauge = new TcpForceGauge($this->device('GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nEND"], $file));
        self::assertSame([], [...$gauge->pull(self::bench())]);
        self::assertSame("BENCH material=pla surface=glass agent=- pull=hot bed=60\nZERO\nSTART\n", file_get_contents($file));
        unlink($file);
    }

    /** @return iterable<string, array{string, list<string>, string}> greeting, answers, words */
    public static function strangers(): iterable
    {
        yield 'another device' => ['SCALE 3', [], 'The device said "SCALE 3"'];
        yield 'another unit' => ['GAUGE 1 range=200 unit=kg', [], 'not understood'];
        yield 'a refusal' => ['GAUGE 1 range=200 unit=N', ['ERROR'], 'The device said "ERROR"'];
        yield 'a broken sample' => ['GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nF 0 0.0\nF x 1"], 'The device said "F x 1"'];
        yield 'not a number' => ['GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nF 0 NaN"], 'not understood'];
        yield 'a cut cable' => ['GAUGE 1 range=200 unit=N', ['OK', 'OK', "OK\nF 0 0.0"], 'fell silent'];
    }

    /** @param list<string> $answers */
    #[DataProvider('strangers')]
    public function testWhatGoesWrongIsSaid(string $greeting, array $answers, string $words): void
    {
        $this->expectException(InstrumentUnreachable::class);
        $this->expectExceptionMessage($words);
        foreach ((new TcpForceGauge($this->device($greeting, $answers)))->pull(self::bench()) as $sample) {
            self::assertGreaterThanOrEqual(0, $sample->milliseconds);
        }
    }

    public function testNobodyThere(): void
    {
        $this->expectException(InstrumentUnreachable::class);
        $this->expectExceptionMessage('does not answer. Is it switched on and connected?');
        new TcpForceGauge('127.0.0.1:1');
    }

    private static function bench(): Bench
    {
        return new Bench('pla', 'glass', null, 'hot', 60);
    }
}
