<?php

declare(strict_types=1);

namespace App\Device;

use Sitzplatz\Test\TemperatureSample;

/** A thermometer that speaks the line protocol of docs/formats.md over TCP. */
final class TcpThermometer implements PlateThermometer
{
    private const SILENCE_NS = 10_000_000_000;

    private readonly LineStream $stream;
    private int $heardNs;

    /**
     * @param array{bedC: ?float, roomC: float}|null $bench what a stand-in has to play; null: a real one, which is not asked
     *
     * @throws InstrumentUnreachable if nothing answers there
     */
    public function __construct(string $address, ?array $bench)
    {
        $this->stream = new LineStream($address);
        $greeting = $this->stream->line() ?? throw InstrumentUnreachable::silentWhileCooling();
        if ('THERMOMETER 1 unit=C' !== $greeting) {
            throw InstrumentUnreachable::unclear($greeting);
        }
        $commands = null === $bench ? [] : [\sprintf('BENCH bed=%s room=%s', $bench['bedC'] ?? '-', $bench['roomC'])];
        foreach ([...$commands, 'START'] as $command) {
            if (!$this->stream->say($command)) {
                throw InstrumentUnreachable::silentWhileCooling();
            }
        }
        $this->heardNs = hrtime(true);
    }

    public function samplesSoFar(): array
    {
        $samples = [];
        foreach ($this->stream->linesSoFar() as $line) {
            if (1 !== preg_match('/^T (\d{1,9}) (-?\d{1,4}(?:\.\d+)?)$/', $line, $found)) {
                throw InstrumentUnreachable::unclear($line);
            }
            $samples[] = new TemperatureSample((int) $found[1], (float) $found[2]);
            $this->heardNs = hrtime(true);
        }
        if (hrtime(true) - $this->heardNs > self::SILENCE_NS) {
            throw InstrumentUnreachable::silentWhileCooling();
        }

        return $samples;
    }
}
