<?php

declare(strict_types=1);

namespace App\Platform;

/** Asks the running app of the demo at a steady rate, and with several requests in flight, and takes the 95th percentile. */
final class ApiLoad
{
    private const PATHS = ['/api/overview', '/api/comparisons', '/api/plates', '/api/profiles', '/api/care', 'judgement', 'choose'];
    private const RATE = 20;
    private const IN_FLIGHT = 4;

    private string $cookie = '';
    private string $token = '';

    /** @return array<string, string> figures by what was measured; a word why there are none, if the demo does not run */
    public function measure(int $port, int $seconds): array
    {
        $base = "http://127.0.0.1:$port";
        $session = $this->ask($base.'/api/demo-session', '{"role":"technician"}');
        if (200 !== $session['status']) {
            return ['API answers' => 'the demo does not run'];
        }
        $data = json_decode($session['body'], true);
        $this->token = \is_array($data) && \is_string($data['csrf'] ?? null) ? $data['csrf'] : '';
        $requests = $this->requests($base);
        $figures = [];
        foreach ($requests as $name => [$url, $body]) {
            $times = [];
            for ($i = 0; $i < max(20, self::RATE * $seconds / \count($requests)); ++$i) {
                $began = hrtime(true);
                $this->ask($url, $body);
                $taken = hrtime(true) - $began;
                $times[] = $taken / 1e6;
                usleep((int) max(0, 1e6 / self::RATE - $taken / 1000));
            }
            $figures["$name, steady ".self::RATE.'/s'] = self::p95($times);
        }
        $figures['all of these, '.self::IN_FLIGHT.' in flight'] = self::p95($this->together(array_values($requests)));

        return $figures;
    }

    /** @return array<string, array{string, ?string}> */
    private function requests(string $base): array
    {
        $printers = json_decode($this->ask($base.'/api/printers')['body'], true);
        $comparisons = json_decode($this->ask($base.'/api/comparisons')['body'], true);
        $printer = \is_array($printers) ? array_values(array_filter($printers, static fn (mixed $p): bool => \is_array($p) && 'filament' === $p['kind']))[0]['id'] ?? '' : '';
        $closed = \is_array($comparisons) ? array_values(array_filter($comparisons, static fn (mixed $c): bool => \is_array($c) && 'closed' === $c['status']))[0]['id'] ?? '' : '';
        $requests = [];
        foreach (self::PATHS as $path) {
            $requests[match ($path) {
                'judgement' => 'GET /api/comparisons/…/judgement',
                'choose' => 'POST /api/choose',
                default => 'GET '.$path,
            }] = match ($path) {
                'judgement' => ["$base/api/comparisons/$closed/judgement", null],
                'choose' => ["$base/api/choose", json_encode(['materialId' => 'pla', 'printerId' => $printer, 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'part' => ['contactAreaMm2' => 752, 'outlineMm' => 210, 'spanMm' => 100, 'barWidthMm' => 8, 'heightMm' => 15]], \JSON_THROW_ON_ERROR)],
                default => [$base.$path, null],
            };
        }

        return $requests;
    }

    /**
     * @param list<array{string, ?string}> $requests
     *
     * @return list<float> milliseconds
     */
    private function together(array $requests): array
    {
        $times = [];
        $multi = curl_multi_init();
        $open = [];
        $sent = 0;
        $wanted = 40 * \count($requests);
        while ($sent < $wanted || [] !== $open) {
            while ($sent < $wanted && \count($open) < self::IN_FLIGHT) {
                [$url, $body] = $requests[$sent++ % \count($requests)];
                $handle = $this->handle($url, $body);
                curl_multi_add_handle($multi, $handle);
                $open[spl_object_id($handle)] = $handle;
            }
            curl_multi_exec($multi, $active);
            curl_multi_select($multi, 0.01);
            while (false !== ($done = curl_multi_info_read($multi))) {
                $handle = $done['handle'];
                \assert($handle instanceof \CurlHandle);
                $times[] = 1000 * curl_getinfo($handle, \CURLINFO_TOTAL_TIME);
                curl_multi_remove_handle($multi, $handle);
                unset($open[spl_object_id($handle)]);
            }
        }

        return $times;
    }

    /** @return array{status: int, body: string} */
    private function ask(string $url, ?string $body = null): array
    {
        $handle = $this->handle($url, $body);
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

        return ['status' => curl_getinfo($handle, \CURLINFO_RESPONSE_CODE), 'body' => \is_string($answer) ? $answer : ''];
    }

    private function handle(string $url, ?string $body): \CurlHandle
    {
        $handle = curl_init($url);
        \assert($handle instanceof \CurlHandle);
        curl_setopt_array($handle, [
            \CURLOPT_RETURNTRANSFER => true,
            \CURLOPT_TIMEOUT => 10,
            \CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'X-CSRF-Token: '.$this->token],
        ]);
        if ('' !== $this->cookie) {
            curl_setopt($handle, \CURLOPT_COOKIE, $this->cookie);
        }
        if (null !== $body) {
            curl_setopt($handle, \CURLOPT_POSTFIELDS, $body);
        }

        return $handle;
    }

    /** @param list<float> $times */
    private static function p95(array $times): string
    {
        sort($times);

        return \sprintf('p95 %.0f ms', $times[(int) ceil(0.95 * \count($times)) - 1] ?? 0);
    }
}
