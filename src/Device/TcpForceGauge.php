<?php

declare(strict_types=1);

namespace App\Device;

use Sitzplatz\Test\PullSample;

/** A gauge that speaks the line protocol of docs/formats.md over TCP. */
final class TcpForceGauge implements ForceGauge
{
    private const ANSWER_SECONDS = 3;
    private const SILENCE_SECONDS = 10;

    /** @var resource */
    private $stream;

    private readonly float $rangeN;

    /** @throws GaugeUnreachable if nothing answers there */
    public function __construct(string $host, int $port)
    {
        $stream = @stream_socket_client("tcp://$host:$port", $code, $message, self::ANSWER_SECONDS);
        if (false === $stream) {
            throw GaugeUnreachable::at("$host:$port");
        }
        $this->stream = $stream;
        stream_set_timeout($this->stream, self::ANSWER_SECONDS);
        $greeting = $this->line();
        if (1 !== preg_match('/^GAUGE 1 range=([0-9.]+) unit=N$/', $greeting, $found)) {
            throw GaugeUnreachable::unclear($greeting);
        }
        $this->rangeN = (float) $found[1];
    }

    public function __destruct()
    {
        fclose($this->stream);
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
        stream_set_timeout($this->stream, self::SILENCE_SECONDS);
        while (true) {
            $line = $this->line();
            if ('END' === $line) {
                return;
            }
            if (1 !== preg_match('/^F (\d{1,9}) (-?\d+(?:\.\d+)?)$/', $line, $found)) {
                throw GaugeUnreachable::unclear($line);
            }
            yield new PullSample((int) $found[1], (float) $found[2]);
        }
    }

    private function say(string $command): void
    {
        @fwrite($this->stream, $command."\n");
        $answer = $this->line();
        if ('OK' !== $answer) {
            throw GaugeUnreachable::unclear($answer);
        }
    }

    private function line(): string
    {
        $line = fgets($this->stream, 200);
        if (false === $line) {
            throw GaugeUnreachable::silent();
        }

        return rtrim($line, "\r\n");
    }
}
