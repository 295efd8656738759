<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

/** Somebody asks for as much as one address can; the others, at the bench, do not notice. */
final class CrowdPart implements Part
{
    private const SLOW_CONNECTIONS = 300;
    private const UPLOADS = 20;
    private const UPLOAD_MB = 125;
    /** Of the others, ms. */
    private const P95_MS = 300;

    public function name(): string
    {
        return 'crowd';
    }

    public function run(Rig $rig): array
    {
        $seconds = $rig->short ? 3 : 10;
        $outcomes = [];
        $plain = "tcp://127.0.0.1:$rig->port";
        $tls = null === $rig->network() ? null : "tls://{$rig->network()}";
        foreach ([
            'nothing' => static fn (): array => [],
            self::SLOW_CONNECTIONS.' that send a byte each half second' => fn (float $until): array => $this->slowly($plain, $until),
            ...(null === $tls ? [] : [self::SLOW_CONNECTIONS.' such over TLS' => fn (float $until): array => $this->slowly($tls, $until)]),
            '8 who ask what a plan can show' => fn (float $until): array => $this->loops($rig, 8, $until, self::asksForChances(...)),
            '4 who send photos of 25 megapixels' => fn (float $until): array => $this->loops($rig, 4, $until, self::sendsPhotos(...)),
            '4 who send models with 50 000 attributes' => fn (float $until): array => $this->loops($rig, 4, $until, self::sendsModels(...)),
            '8 who go by /index.php' => fn (float $until): array => $this->loops($rig, 8, $until, static fn (Client $client): int => $client->send('POST', '/index.php/api/heat', [])[0]),
        ] as $what => $abuse) {
            [$mean, $p95, $lost] = $this->others($rig, $seconds, $abuse);
            $outcomes[] = new Outcome("others beside $what", \sprintf('median %d, p95 %d ms, %d without an answer', $mean, $p95, $lost), 'p95 '.self::P95_MS.' ms', $p95 <= self::P95_MS && 0 === $lost);
        }
        if ('' !== $rig->setting('SITZPLATZ_FRONT')) {
            [$one, $other, $forged] = $this->behindAFront($rig);
            $outcomes[] = new Outcome('of 300 costly ones of one address behind a front', "$one too often; of 20 of another $other, of 20 forged $forged", 'some, 0, 0', $one > 0 && 0 === $other && 0 === $forged);
        }
        foreach (array_filter([$plain, $tls]) as $address) {
            [$written, $answers] = $this->uploads($rig, $address);
            $outcomes[] = new Outcome(
                \sprintf('MB of %d uploads of %d MB without a session%s', self::UPLOADS, self::UPLOAD_MB, $address === $tls ? ', TLS' : ''),
                \sprintf('%.1f, answers %s', $written, $answers),
                'none, 401',
                $written < 1,
            );
        }

        return $outcomes;
    }

    /**
     * @param \Closure(float): array<int> $abuse until then; gives what is to be ended
     *
     * @return array{int, int, int} median and 95th of a hundred of what others wait, ms, and how many had no answer
     */
    private function others(Rig $rig, int $seconds, \Closure $abuse): array
    {
        $until = microtime(true) + $seconds + 2;
        $ended = $abuse($until);
        usleep(1_500_000);
        $client = $rig->client();
        $waited = [];
        $lost = 0;
        while (microtime(true) < $until - 0.5) {
            foreach (['/api/overview', '/api/plates', '/api/health/alive', '/choose'] as $path) {
                $began = hrtime(true);
                [$status] = $client->send('GET', $path);
                $waited[] = (hrtime(true) - $began) / 1e6;
                $lost += 200 === $status ? 0 : 1;
            }
            usleep(20_000);
        }
        foreach ($ended as $pid) {
            posix_kill($pid, \SIGKILL);
        }
        while (pcntl_wait($status) > 0) {
            continue;
        }
        sort($waited);

        return [(int) $waited[intdiv(\count($waited), 2)], (int) $waited[(int) (0.95 * \count($waited))], $lost];
    }

    /** @return list<int> */
    private function slowly(string $address, float $until): array
    {
        return [$this->forked(static function () use ($address, $until): void {
            $open = [];
            for ($i = 0; $i < self::SLOW_CONNECTIONS; ++$i) {
                $socket = self::connected($address);
                if (false !== $socket) {
                    // Half of them never end their head, half never their body.
                    @fwrite($socket, 0 === $i % 2 ? 'GET /api/' : "POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n");
                    $open[] = $socket;
                }
            }
            while (microtime(true) < $until) {
                foreach ($open as $socket) {
                    @fwrite($socket, 'x');
                }
                usleep(500_000);
            }
        })];
    }

    /**
     * @param \Closure(Client, string): int $asks
     *
     * @return list<int>
     */
    private function loops(Rig $rig, int $people, float $until, \Closure $asks): array
    {
        $run = $this->aRun($rig);

        return array_map(fn (): int => $this->forked(static function () use ($rig, $until, $asks, $run): void {
            // One and the same person, from one address.
            $client = $rig->client();
            while (microtime(true) < $until) {
                $asks($client, $run) >= 400 && usleep(100_000);
            }
        }), range(1, $people));
    }

    /** @param \Closure(): void $work */
    private function forked(\Closure $work): int
    {
        $pid = pcntl_fork();
        if (0 === $pid) {
            try {
                $work();
            } finally {
                posix_kill(posix_getpid(), \SIGKILL);
            }
        }

        return $pid;
    }

    private function aRun(Rig $rig): string
    {
        return trim($rig->sql("SELECT LOWER(CONCAT_WS('-', SUBSTR(HEX(id), 1, 8), SUBSTR(HEX(id), 9, 4), SUBSTR(HEX(id), 13, 4), SUBSTR(HEX(id), 17, 4), SUBSTR(HEX(id), 21))) FROM run WHERE status = 'running' ORDER BY id LIMIT 1"));
    }

    private static function asksForChances(Client $client): int
    {
        static $i = 0;

        // Another one each time, so that nothing is remembered.
        return $client->send('POST', '/api/plan-chances', [
            'proof' => ['criterion' => 'mean', 'share' => 0.8, 'design' => 'adaptive', 'measures' => ['pull'], 'scaleStepN' => 0, 'visits' => 6, 'plateStays' => false],
            'limits' => ['hotPullAtLeastN' => 20 + ++$i / 1000, 'coldPullAtMostN' => 12, 'effortAtMost' => 2, 'failuresAllowed' => 0],
            'runsPerSetup' => 40,
            'hotPerSetup' => 20,
        ])[0];
    }

    private static function sendsPhotos(Client $client, string $run): int
    {
        static $photo = null;
        if (null === $photo) {
            $image = imagecreatetruecolor(5_800, 4_300);
            false !== $image || throw new \RuntimeException('No picture.');
            ob_start();
            imagejpeg($image);
            $photo = (string) ob_get_clean();
        }

        return $client->send('POST', "/api/runs/$run/photos?shows=lift&id=".Rig::uuid(), $photo, 'application/octet-stream')[0];
    }

    private static function sendsModels(Client $client): int
    {
        static $model = null;
        if (null === $model) {
            $file = (string) tempnam(sys_get_temp_dir(), 'model');
            $zip = new \ZipArchive();
            $zip->open($file, \ZipArchive::CREATE | \ZipArchive::OVERWRITE);
            $attributes = implode(' ', array_map(static fn (int $i): string => 'a'.bin2hex(random_bytes(4)).$i.'=""', range(1, 50_000)));
            $zip->addFromString('3D/3dmodel.model', "<model unit=\"millimeter\"><resources><object id=\"1\" $attributes><mesh/></object></resources><build><item objectid=\"1\"/></build></model>");
            $zip->close();
            $model = (string) file_get_contents($file);
            unlink($file);
        }

        return $client->send('POST', '/api/parts/read', $model, 'application/octet-stream')[0];
    }

    /**
     * This process is the front, and says whom it passes on.
     *
     * @return array{int, int, int} how many of each were too often: of one address, of another right after, and of who comes past the front
     */
    private function behindAFront(Rig $rig): array
    {
        $front = $rig->setting('SITZPLATZ_FRONT');
        $tooOften = static fn (string $from, string $for, int $times): int => substr_count($rig->shell(\sprintf(
            "curl -s -o /dev/null -w '%%{http_code}\\n' --interface %s -H 'X-Forwarded-For: %s' -H 'Content-Type: application/json' -d '{}' 'http://127.0.0.1:%d/api/plan-chances?[1-%d]'",
            $from,
            $for,
            $rig->port,
            $times,
        ))[1], '429');

        return [$tooOften($front, '192.0.2.1', 300), $tooOften($front, '192.0.2.2', 20), $tooOften('127.0.0.4', '192.0.2.1', 20)];
    }

    /** @return resource|false from nobody whom the certificate would have to convince */
    private static function connected(string $address)
    {
        return @stream_socket_client($address, $code, $message, 2, \STREAM_CLIENT_CONNECT, stream_context_create(['ssl' => ['verify_peer' => false, 'verify_peer_name' => false]]));
    }

    /** @return array{float, string} most MB in the folder for bodies while they come, and what they were answered */
    private function uploads(Rig $rig, string $address): array
    {
        $sockets = [];
        for ($i = 0; $i < self::UPLOADS; ++$i) {
            $socket = self::connected($address);
            if (false !== $socket) {
                fwrite($socket, "POST /api/parts/read HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/octet-stream\r\nContent-Length: ".(self::UPLOAD_MB << 20)."\r\n\r\n");
                stream_set_blocking($socket, false);
                $sockets[] = $socket;
            }
        }
        $most = 0.0;
        $megabyte = str_repeat("\0", 1 << 20);
        for ($mb = 0; $mb < ($rig->short ? 10 : self::UPLOAD_MB); ++$mb) {
            foreach ($sockets as $socket) {
                @fwrite($socket, $megabyte);
            }
            $most = max($most, (int) trim($rig->shell('du -sk '.escapeshellarg($rig->run().'/nginx').' | cut -f1')[1]) / 1024);
            usleep(20_000);
        }
        $answers = [];
        foreach ($sockets as $socket) {
            $line = explode(' ', (string) @fgets($socket))[1] ?? 'cut off';
            $answers[$line] = ($answers[$line] ?? 0) + 1;
        }

        return [$most, implode(', ', array_map(static fn (int|string $answer, int $n): string => "$n × $answer", array_keys($answers), $answers))];
    }
}
