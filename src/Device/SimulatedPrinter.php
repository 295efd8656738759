<?php

declare(strict_types=1);

namespace App\Device;

/** What the simulated printer of the demo reports of its prints, as docs/formats.md has it. */
final readonly class SimulatedPrinter
{
    private const KEY = 'stand-in';

    /** @param list<array{title: string, minutes: int, idle: int}> $prints */
    public function __construct(private array $prints)
    {
    }

    /** With it the stand-in of this demo reports; whoever knows it can read the settings of the app as well. */
    public static function token(string $appSecret): string
    {
        return substr(hash_hmac('sha256', 'the simulated printer of the demo', $appSecret), 0, 48);
    }

    /**
     * Begin and end of each print in turn, without end.
     *
     * @param string $since names this start of it, so that its prints are not taken for those of the last
     *
     * @return \Generator<array{waitSeconds: int, report: array<string, mixed>}> what to send after so long
     */
    public function reports(string $since): \Generator
    {
        for ($i = 0;; ++$i) {
            ['title' => $title, 'minutes' => $minutes, 'idle' => $idle] = $this->prints[$i % \count($this->prints)];
            $key = self::KEY."-$since-".($i + 1);
            yield ['waitSeconds' => 60 * $idle, 'report' => ['key' => $key, 'event' => 'begin', 'title' => $title, 'minutes' => $minutes]];
            yield ['waitSeconds' => 60 * $minutes, 'report' => ['key' => $key, 'event' => 'end', 'minutes' => $minutes]];
        }
    }
}
