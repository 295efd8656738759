<?php

declare(strict_types=1);

namespace App\Device;

use Sitzplatz\Test\PullSample;

/** A gauge that speaks the line protocol of docs/formats.md over TCP. */
final readonly class TcpForceGauge implements ForceGauge
{
    private const SILENCE_SECONDS = 10;

    private LineStream $stream;
    private float $rangeN;

    /** @throws InstrumentUnreachable if nothing answers there */
    public function __construct(string $address)
    {
        $this->stream = new LineStream($address);
        $greeting = $this->line();
        if (1 !== preg_match('/^GAUGE 1 range=([0-9.]+) unit=N$/', $greeting, $found)) {
            throw InstrumentUnreachable::unclear($greeting);
        }
        $this->rangeN = (float) $found[1];
    }

    public function rangeN(): float
    {
        return $this->rangeN;
    }

    public function pull(?Bench $bench): iterable
    {
        if (null !== $bench) {
            $this->say(\sprintf(
                'BENCH material=%s surface=%s agent=%s pull=%s bed=%s',
                $bench->materialId,
                $bench->surfaceId,
                $bench->agentId ?? '-',
                $bench->pull,
                $bench->bedC ?? '-',
            ));
        }
        $this->say('ZERO');
        $this->say('START');
        $this->stream->waitFor(self::SILENCE_SECONDS);
        while (true) {
            $line = $this->line();
            if ('END' === $line) {
                return;
            }
            if (1 !== preg_match('/^F (\d{1,9}) (-?\d+(?:\.\d+)?)$/', $line, $found)) {
                throw InstrumentUnreachable::unclear($line);
            }
            yield new PullSample((int) $found[1], (float) $found[2]);
        }
    }

    private function say(string $command): void
    {
        if (!$this->stream->say($command)) {
            throw InstrumentUnreachable::silentInPull();
        }
    }

    private function line(): string
    {
        return $this->stream->line() ?? throw InstrumentUnreachable::silentInPull();
    }
}
