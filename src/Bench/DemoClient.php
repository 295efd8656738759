<?php

declare(strict_types=1);

namespace App\Bench;

/** Asks a running demo as a browser does, one request after another or several at once. */
final class DemoClient
{
    private string $cookie = '';
    private string $token = '';

    public function __construct(private readonly string $base)
    {
    }

    /** False if the demo does not run there. */
    public function signIn(string $role): bool
    {
        $this->cookie = $this->token = '';
        $session = $this->ask('POST', '/api/demo-session', ['role' => $role]);
        $this->token = \is_string($session['body']['csrf'] ?? null) ? $session['body']['csrf'] : '';

        return 200 === $session['status'];
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array{status: int, body: array<mixed>, milliseconds: float}
     */
    public function ask(string $method, string $path, ?array $body = null): array
    {
        $handle = $this->handle($method, $path, $body);
        $cookie = '';
        curl_setopt($handle, \CURLOPT_HEADERFUNCTION, static function (\CurlHandle $h, string $line) use (&$cookie): int {
            if (1 === preg_match('/^set-cookie:\s*([^;]+)/i', $line, $found)) {
                $cookie = $found[1];
            }

            return \strlen($line);
        });
        $answer = curl_exec($handle);
        if ('' !== $cookie) {
            $this->cookie = $cookie;
        }

        return self::answer($handle, \is_string($answer) ? $answer : '');
    }

    /**
     * @param list<array{string, string, array<string, mixed>|null}> $requests method, path and body
     *
     * @return list<array{status: int, body: array<mixed>, milliseconds: float}> in the order of the requests
     */
    public function together(array $requests, int $inFlight): array
    {
        return $this->many($requests, static fn (int $sent, int $open): bool => $open < $inFlight);
    }

    /**
     * One after the other at a steady rate, whether the one before is answered or not.
     *
     * @param list<array{string, string, array<string, mixed>|null}> $requests
     *
     * @return list<array{status: int, body: array<mixed>, milliseconds: float}>
     */
    public function steady(array $requests, float $perSecond): array
    {
        $began = microtime(true);

        return $this->many($requests, static fn (int $sent, int $open): bool => microtime(true) >= $began + $sent / $perSecond);
    }

    /**
     * @param list<array{string, string, array<string, mixed>|null}> $requests
     * @param \Closure(int, int): bool                               $next     whether to send one more, by how many are sent and open
     *
     * @return list<array{status: int, body: array<mixed>, milliseconds: float}>
     */
    private function many(array $requests, \Closure $next): array
    {
        $answers = [];
        $multi = curl_multi_init();
        $open = [];
        $sent = 0;
        while ($sent < \count($requests) || [] !== $open) {
            while ($sent < \count($requests) && $next($sent, \count($open))) {
                $handle = $this->handle(...$requests[$sent]);
                curl_multi_add_handle($multi, $handle);
                $open[spl_object_id($handle)] = $sent++;
            }
            curl_multi_exec($multi, $active);
            if ([] === $open) {
                usleep(500);
            } else {
                curl_multi_select($multi, 0.002);
            }
            while (false !== ($done = curl_multi_info_read($multi))) {
                $handle = $done['handle'];
                \assert($handle instanceof \CurlHandle);
                $answers[$open[spl_object_id($handle)]] = self::answer($handle, (string) curl_multi_getcontent($handle));
                curl_multi_remove_handle($multi, $handle);
                unset($open[spl_object_id($handle)]);
            }
        }
        ksort($answers);

        return array_values($answers);
    }

    /** @return array{status: int, body: array<mixed>, milliseconds: float} */
    private static function answer(\CurlHandle $handle, string $text): array
    {
        $body = json_decode($text, true);

        return [
            'status' => curl_getinfo($handle, \CURLINFO_RESPONSE_CODE),
            'body' => \is_array($body) ? $body : [],
            'milliseconds' => 1000 * curl_getinfo($handle, \CURLINFO_TOTAL_TIME),
        ];
    }

    /** @param array<string, mixed>|null $body */
    private function handle(string $method, string $path, ?array $body): \CurlHandle
    {
        $handle = curl_init($this->base.$path);
        \assert($handle instanceof \CurlHandle);
        curl_setopt_array($handle, [
            \CURLOPT_CUSTOMREQUEST => '' === $method ? 'GET' : $method,
            \CURLOPT_RETURNTRANSFER => true,
            \CURLOPT_TIMEOUT => 60,
            \CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'X-CSRF-Token: '.$this->token],
        ]);
        if ('' !== $this->cookie) {
            curl_setopt($handle, \CURLOPT_COOKIE, $this->cookie);
        }
        if (null !== $body) {
            curl_setopt($handle, \CURLOPT_POSTFIELDS, json_encode([] === $body ? new \stdClass() : $body, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION));
        }

        return $handle;
    }
}
