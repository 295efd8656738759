<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** Somebody at a browser, without the browser: one session, one request after the other. */
final class Client
{
    private \CurlHandle $curl;
    private string $token = '';

    public function __construct(private readonly string $base)
    {
        $this->renew();
    }

    /** A process that was forked off needs a connection of its own. */
    public function renew(): void
    {
        $curl = curl_init();
        $curl instanceof \CurlHandle || throw new \RuntimeException('No curl.');
        curl_setopt($curl, \CURLOPT_COOKIEFILE, '');
        $this->curl = $curl;
    }

    public function signIn(string $role): int
    {
        $this->token = '';
        [$status, $body] = $this->send('POST', '/api/demo-session', ['role' => $role]);
        $this->token = 200 === $status ? (string) (json_decode($body, true)['csrf'] ?? '') : '';

        return $status;
    }

    /**
     * @param array<mixed>|string|null $body an array is sent as JSON, a string as it is
     *
     * @return array{int, string} status, 0 where nobody answered, and body
     */
    public function send(string $method, string $path, array|string|null $body = null, string $type = 'application/json', int $seconds = 20): array
    {
        curl_setopt_array($this->curl, [
            \CURLOPT_URL => '' === $this->base ? '/' : $this->base.$path,
            \CURLOPT_CUSTOMREQUEST => '' === $method ? 'GET' : $method,
            \CURLOPT_RETURNTRANSFER => true,
            \CURLOPT_TIMEOUT => $seconds,
            \CURLOPT_HTTPHEADER => ["Content-Type: $type", 'X-CSRF-Token: '.$this->token, 'Expect:'],
            \CURLOPT_POSTFIELDS => \is_array($body) ? (string) json_encode([] === $body ? new \stdClass() : $body, \JSON_PARTIAL_OUTPUT_ON_ERROR) : (string) $body,
        ]);
        $answer = curl_exec($this->curl);

        return [\is_string($answer) ? (int) curl_getinfo($this->curl, \CURLINFO_RESPONSE_CODE) : 0, (string) $answer];
    }

    /** @return array<mixed> */
    public function read(string $path): array
    {
        [$status, $body] = $this->send('GET', $path);
        $data = 200 === $status ? json_decode($body, true) : null;

        return \is_array($data) ? $data : throw new \RuntimeException("GET $path: $status");
    }
}
