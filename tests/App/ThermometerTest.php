<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Device\InstrumentUnreachable;
use App\Device\TcpThermometer;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\TemperatureSample;

/** The line protocol of docs/formats.md, against thermometers that keep to it and thermometers that do not. */
final class ThermometerTest extends TestCase
{
    use PlaysADevice;

    public function testWhatItShowsIsReadWithoutWaiting(): void
    {
        $heard = (string) tempnam(sys_get_temp_dir(), 'heard');
        $address = $this->device('THERMOMETER 1 unit=C', ['OK', "OK\nT 0 60.25\nT 500 -1.5", 'bye'], $heard);
        $thermometer = new TcpThermometer($address, ['bedC' => 60.0, 'roomC' => 21.5]);
        self::assertEqualsWithDelta([[0, 60.25], [500, -1.5]], self::samples($thermometer, 2), 0);
        self::assertSame([], $thermometer->samplesSoFar());
        self::assertSame("BENCH bed=60 room=21.5\nSTART\n", file_get_contents($heard));
        unlink($heard);
    }

    public function testARealOneIsNotToldWhatToPlay(): void
    {
        $heard = (string) tempnam(sys_get_temp_dir(), 'heard');
        new TcpThermometer($this->device('THERMOMETER 1 unit=C', ['OK', 'bye'], $heard), null);
        self::assertSame("START\n", file_get_contents($heard));
        unlink($heard);
    }

    /** @return iterable<string, array{string, list<string>, string}> greeting, answers, words */
    public static function strangers(): iterable
    {
        yield 'another device' => ['GAUGE 1 range=200 unit=N', [], 'The device said "GAUGE 1'];
        yield 'another unit' => ['THERMOMETER 1 unit=F', [], 'not understood'];
        yield 'a refusal' => ['THERMOMETER 1 unit=C', ['ERROR'], 'The device said "ERROR"'];
        yield 'a broken sample' => ['THERMOMETER 1 unit=C', ["OK\nT 0 hot"], 'The device said "T 0 hot"'];
        yield 'no end of a line' => ['THERMOMETER 1 unit=C', ["OK\n".str_repeat('T', 500)], 'not understood'];
    }

    /** @param list<string> $answers */
    #[DataProvider('strangers')]
    public function testWhatGoesWrongIsSaid(string $greeting, array $answers, string $words): void
    {
        $this->expectException(InstrumentUnreachable::class);
        $this->expectExceptionMessage($words);
        self::samples(new TcpThermometer($this->device($greeting, $answers), null), 1);
    }

    /** @return list<array{int, float}> */
    private static function samples(TcpThermometer $thermometer, int $wanted): array
    {
        $samples = [];
        for ($tries = 0; \count($samples) < $wanted && $tries < 500; ++$tries) {
            array_push($samples, ...array_map(static fn (TemperatureSample $s): array => [$s->milliseconds, $s->celsius], $thermometer->samplesSoFar()));
            usleep(10_000);
        }

        return $samples;
    }
}
