<?php

declare(strict_types=1);

namespace App\Device;

/** A connection to a device that speaks in lines, as docs/formats.md has it. */
final class LineStream
{
    private const ANSWER_SECONDS = 3;
    /** Of a line, bytes; nothing that is understood is longer. */
    private const LONGEST = 200;

    /** @var resource */
    private $stream;

    /** What came of a line that is not whole yet. */
    private string $rest = '';

    /**
     * @param string $address host and port
     *
     * @throws InstrumentUnreachable if nothing answers there
     */
    public function __construct(string $address)
    {
        $stream = @stream_socket_client("tcp://$address", $code, $message, self::ANSWER_SECONDS);
        if (false === $stream) {
            throw InstrumentUnreachable::at($address);
        }
        $this->stream = $stream;
        $this->waitFor(self::ANSWER_SECONDS);
    }

    public function __destruct()
    {
        fclose($this->stream);
    }

    /** How long {@see line} waits from now on. */
    public function waitFor(int $seconds): void
    {
        stream_set_timeout($this->stream, $seconds);
    }

    /** @return string|null null: it is silent */
    public function line(): ?string
    {
        $line = fgets($this->stream, self::LONGEST);

        return false === $line ? null : rtrim($line, "\r\n");
    }

    /**
     * @return bool whether it answered at all
     *
     * @throws InstrumentUnreachable if the device does not take the command
     */
    public function say(string $command): bool
    {
        @fwrite($this->stream, $command."\n");
        $answer = $this->line();
        if (null !== $answer && 'OK' !== $answer) {
            throw InstrumentUnreachable::unclear($answer);
        }

        return null !== $answer;
    }

    /**
     * What has come meanwhile; waits for nothing.
     *
     * @return list<string>
     *
     * @throws InstrumentUnreachable if what comes is no line
     */
    public function linesSoFar(): array
    {
        stream_set_blocking($this->stream, false);
        $this->rest .= (string) stream_get_contents($this->stream, 65_536);
        stream_set_blocking($this->stream, true);
        $lines = explode("\n", $this->rest);
        $this->rest = (string) array_pop($lines);
        if (\strlen($this->rest) > self::LONGEST) {
            throw InstrumentUnreachable::unclear($this->rest);
        }

        return array_map(static fn (string $line): string => rtrim($line, "\r"), $lines);
    }
}
