<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\DriverException;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;

/** What somebody gets who is on the same machine, or whose page the browser of a user opens. */
final class AccessTest extends WebTestCase
{
    public function testTheRootOfTheDatabaseHasNoPasswordToGuessAndNoWayInOverTcp(): void
    {
        $port = parse_url((string) getenv('SITZPLATZ_DATABASE_URL'), \PHP_URL_PORT);
        foreach (['root', 'mysql', '', 'sitzplatz'] as $name) {
            try {
                new \PDO("mysql:host=127.0.0.1;port=$port", $name, '');
                self::fail("\"$name\" got in over TCP without a password.");
            } catch (\PDOException $e) {
                self::assertContains($e->getCode(), [1045, 1698], $e->getMessage());
            }
        }
    }

    public function testTheSocketOfTheDatabaseIsReachedByItsOwnerOnly(): void
    {
        $socket = (string) getenv('SITZPLATZ_TEST_SOCKET');
        $folder = \dirname($socket);
        self::assertDirectoryExists($folder);
        self::assertSame('0750', substr(\sprintf('%o', fileperms($folder)), -4));
        if (0 !== posix_geteuid()) {
            return;
        }
        foreach (['root', 'mysql', 'sitzplatz'] as $name) {
            exec(
                \sprintf('runuser -u nobody -- mariadb --no-defaults --socket=%s --user=%s -e "SELECT 1" 2>&1', escapeshellarg($socket), $name),
                $words,
                $code,
            );
            self::assertNotSame(0, $code, "nobody got in as $name.");
        }
    }

    /** A MariaDB that starts clears the folder for temporary tables, also of one that is at work beside it. */
    public function testTheDatabaseHasAFolderForTemporaryTablesOfItsOwn(): void
    {
        $database = self::getContainer()->get(Connection::class);
        self::assertInstanceOf(Connection::class, $database);
        $row = $database->fetchAssociative('SELECT @@tmpdir AS scratch, @@datadir AS data');
        self::assertIsArray($row);
        self::assertSame(\dirname($row['data']).'/mariadb-tmp', rtrim($row['scratch'], '/'));
    }

    public function testAForeignHostIsRefusedEvenWhereTheDemoSignsInWithOneButton(): void
    {
        $browser = self::createClient();
        $browser->request(
            'POST',
            '/api/demo-session',
            server: ['HTTP_HOST' => 'attacker.example', 'CONTENT_TYPE' => 'application/json'],
            content: '{"role":"lead"}',
        );
        self::assertSame(400, $browser->getResponse()->getStatusCode());
        self::assertStringNotContainsString('csrf', (string) $browser->getResponse()->getContent());
        self::assertSame([], $browser->getResponse()->headers->getCookies());
    }

    public function testTheWebServerRefusesAForeignHostBeforeTheAppIsAsked(): void
    {
        $url = (string) getenv('SITZPLATZ_TEST_URL');
        $context = stream_context_create(['http' => ['header' => "Host: attacker.example\r\n", 'ignore_errors' => true]]);
        $answer = (string) file_get_contents($url.'/', false, $context);
        self::assertStringContainsString('421', $http_response_header[0] ?? '');
        self::assertStringContainsString('Not this address', $answer);
    }

    /** What the app cannot do, nobody does who has taken it over: read files of the server, or change a table. */
    public function testTheAppHasTheLeastRightsInItsDatabase(): void
    {
        $database = self::getContainer()->get(Connection::class);
        self::assertInstanceOf(Connection::class, $database);
        $grants = $database->fetchFirstColumn('SHOW GRANTS');
        self::assertStringStartsWith('GRANT USAGE ON *.* TO', $grants[0]);
        foreach (\array_slice($grants, 1) as $grant) {
            self::assertMatchesRegularExpression('/^GRANT SELECT, INSERT, UPDATE, DELETE ON `sitzplatz\w*`\.\* TO `sitzplatz`@`127\.0\.0\.1`$/', $grant);
        }
        foreach (['CREATE TABLE taken (x INT)', 'DROP TABLE user', 'ALTER TABLE user ADD x INT', "SELECT LOAD_FILE('/etc/passwd') IS NOT NULL", "SELECT 1 INTO OUTFILE '/tmp/taken'"] as $sql) {
            try {
                self::assertSame(0, (int) $database->fetchOne($sql), $sql);
            } catch (DriverException $e) {
                self::assertContains($e->getCode(), [1142, 1045, 1227], $e->getMessage());
            }
        }
    }

    public function testAPageOfSomebodyElseChangesNothing(): void
    {
        foreach ([['HTTP_ORIGIN' => 'https://attacker.example'], ['HTTP_ORIGIN' => 'null'], ['HTTP_SEC_FETCH_SITE' => 'cross-site'], ['HTTP_SEC_FETCH_SITE' => 'same-site']] as $from) {
            $browser = self::createClient();
            $browser->request('POST', '/api/demo-session', server: ['CONTENT_TYPE' => 'application/json'] + $from, content: '{"role":"lead"}');
            self::assertSame(403, $browser->getResponse()->getStatusCode());
            self::assertSame([], $browser->getResponse()->headers->getCookies());
            self::ensureKernelShutdown();
        }
        $browser = self::createClient();
        $browser->request(
            'POST',
            '/api/demo-session',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ORIGIN' => 'http://localhost', 'HTTP_SEC_FETCH_SITE' => 'same-origin'],
            content: '{"role":"lead"}',
        );
        self::assertSame(200, $browser->getResponse()->getStatusCode());
    }

    /** A page of the app's own sends its Origin, too: a token is for what is no page. */
    public function testATokenForMachinesIsOfNoUseToAPage(): void
    {
        $browser = self::createClient();
        $ask = static function (array $more) use ($browser): int {
            $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_AUTHORIZATION' => 'Bearer none'] + $more;
            $browser->request('POST', '/api/machine/prints', server: $server, content: '{"key":"p-1","event":"begin"}');

            return $browser->getResponse()->getStatusCode();
        };
        self::assertSame(401, $ask([]));
        self::assertSame(403, $ask(['HTTP_ORIGIN' => 'http://localhost']));
    }

    public function testWhatTakesLongIsNotAskedMoreOftenThanAHandCanPress(): void
    {
        $alive = self::atOnce(array_fill(0, 120, '/api/health/alive'));
        self::assertSame([200 => 120], array_count_values(array_column($alive, 0)));
        $heat = self::atOnce(array_fill(0, 120, '/api/heat'));
        $limited = array_values(array_filter($heat, static fn (array $each): bool => 429 === $each[0]));
        // A burst of forty goes through, and so many as come in time.
        self::assertGreaterThanOrEqual(40, 120 - \count($limited));
        self::assertNotSame([], $limited);
        $answer = json_decode($limited[0][1], true);
        self::assertSame(['busy', 'That was too much at once. Wait a second, then send it again.'], [$answer['type'] ?? '', $answer['detail'] ?? ''], 'The page sends it again.');
    }

    /**
     * @param list<string>           $paths   asked for in one moment
     * @param list<non-empty-string> $cookies of each, if any
     *
     * @return list<array{int, string}> status and body of each
     */
    private static function atOnce(array $paths, array $cookies = []): array
    {
        $all = curl_multi_init();
        $handles = [];
        foreach ($paths as $i => $path) {
            $handle = curl_init(getenv('SITZPLATZ_TEST_URL').$path);
            self::assertInstanceOf(\CurlHandle::class, $handle);
            curl_setopt_array($handle, [\CURLOPT_RETURNTRANSFER => true, \CURLOPT_TIMEOUT => 30] + (isset($cookies[$i]) ? [\CURLOPT_COOKIE => $cookies[$i]] : []));
            curl_multi_add_handle($all, $handle);
            $handles[] = $handle;
        }
        do {
            curl_multi_exec($all, $active);
            curl_multi_select($all, 0.1);
        } while ($active > 0);

        return array_map(static fn (\CurlHandle $each): array => [(int) curl_getinfo($each, \CURLINFO_RESPONSE_CODE), (string) curl_multi_getcontent($each)], $handles);
    }

    /** What can be gone round is no limit: a cookie that nobody knows, the front by its own name, a page that is none. */
    public function testALimitIsNotGoneRound(): void
    {
        self::assertSame([404, 404, 404, 404, 200], array_column(self::atOnce(['/index.php', '/index.php/api/session', '/index.php/choose', '/nothing/here', '/choose']), 0));
        $cookies = array_map(static fn (int $i): string => "sitzplatz_$i=".bin2hex(random_bytes(16)), range(1, 120));
        self::assertContains(429, array_column(self::atOnce(array_fill(0, 120, '/api/heat'), $cookies), 0));
    }

    /** Who is signed in is asked before a large body is taken, and nobody else may send more than a form. */
    public function testNobodyUploadsWhoIsNotSignedIn(): void
    {
        $address = parse_url((string) getenv('SITZPLATZ_TEST_URL'));
        self::assertIsArray($address);
        foreach (['/api/parts/read' => 401, '/api/runs/0195d8a0-0000-7000-8000-00000000beef/photos' => 401, '/api/session' => 413] as $path => $status) {
            // What other tests asked for may still count against this address.
            for ($tries = 0, $line = ''; $tries < 50 && ('' === $line || str_contains($line, ' 429 ')); ++$tries) {
                $socket = stream_socket_client('tcp://'.($address['host'] ?? '').':'.($address['port'] ?? 80), timeout: 5);
                self::assertIsResource($socket);
                stream_set_timeout($socket, 5);
                // Of ten megabytes not one is sent before the answer.
                fwrite($socket, "POST $path HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/octet-stream\r\nContent-Length: 10000000\r\n\r\n");
                $line = (string) fgets($socket);
                fclose($socket);
                str_contains($line, ' 429 ') && usleep(200_000);
            }
            self::assertStringStartsWith("HTTP/1.1 $status ", $line, $path);
        }
    }

    /** What went wrong is told by its number; what was asked stays out of it. */
    public function testLogsAreReadByTheirOwnersAndCarryTheNumberOfTheRequestAndNoSecret(): void
    {
        $url = (string) getenv('SITZPLATZ_TEST_URL');
        $context = stream_context_create(['http' => ['header' => "Cookie: mine=of-nobody-else\r\n"]]);
        self::assertIsString(file_get_contents($url.'/api/health?with=of-nobody-else', false, $context));
        $number = '';
        foreach ($http_response_header as $header) {
            $number = str_starts_with($header, 'X-Request-Id: ') ? substr($header, 14) : $number;
        }
        $logs = getenv('SITZPLATZ_VAR').'/log';
        $run = \dirname((string) getenv('SITZPLATZ_TEST_SOCKET'), 2);
        $asked = '';
        // What a server says is written down by the supervisor, when it comes round to it.
        for ($i = 0; $i < 100 && !str_contains($asked = (string) file_get_contents("$logs/web.log"), " $number "); ++$i) {
            usleep(100_000);
        }
        self::assertStringContainsString(" $number 127.0.0.1 200 GET /api/health ", $asked);
        self::assertStringNotContainsString('of-nobody-else', $asked);
        foreach (glob("$logs/{*.log,app/*.log}", \GLOB_BRACE) ?: [] as $log) {
            self::assertContains(substr(\sprintf('%o', fileperms($log)), -4), ['0640', '0600'], $log);
        }
        foreach (glob($run.'/{*.conf,*.pid,own,own/*}', \GLOB_BRACE) ?: [] as $trusted) {
            self::assertSame([posix_geteuid(), 0], [fileowner($trusted), fileperms($trusted) & 0o022], $trusted);
        }
        foreach (['database', 'php', 'web', 'keeper'] as $place) {
            self::assertStringContainsString("stdout_logfile=$logs/$place.log\nstdout_logfile_maxbytes=4MB\nstdout_logfile_backups=3", (string) file_get_contents("$run/supervisor.conf"));
        }
    }

    /** @return iterable<string, array{string, int}> */
    public static function answersOfTheWebServer(): iterable
    {
        yield 'the page' => ['GET / HTTP/1.1', 200];
        yield 'the app' => ['GET /api/health HTTP/1.1', 200];
        yield 'a file' => ['GET /seat.svg HTTP/1.1', 200];
        yield 'a file that is not there' => ['GET /build/none.js HTTP/1.1', 404];
        yield 'what the build knows of itself' => ['GET /build/.vite/manifest.json HTTP/1.1', 404];
        yield 'an address that cannot be read' => ['GET /% HTTP/1.1', 400];
        yield 'an address without end' => ['GET /'.str_repeat('a', 20_000).' HTTP/1.1', 414];
    }

    #[DataProvider('answersOfTheWebServer')]
    public function testEveryAnswerCarriesTheHeadersAndEveryErrorIsAProblem(string $line, int $status): void
    {
        $url = parse_url((string) getenv('SITZPLATZ_TEST_URL'));
        self::assertIsArray($url);
        $stream = stream_socket_client('tcp://127.0.0.1:'.($url['port'] ?? 80));
        self::assertIsResource($stream);
        fwrite($stream, "$line\r\nHost: 127.0.0.1\r\nConnection: close\r\nX-Request-Id: mine\r\n\r\n");
        [$head, $body] = explode("\r\n\r\n", (string) stream_get_contents($stream), 2);
        self::assertStringStartsWith("HTTP/1.1 $status ", $head);
        foreach (['Content-Security-Policy: default-src \'none\'', 'X-Content-Type-Options: nosniff', 'Referrer-Policy: same-origin', 'Cross-Origin-Opener-Policy: same-origin', 'Cross-Origin-Resource-Policy: same-origin'] as $header) {
            self::assertSame(1, substr_count($head, $header), $header);
        }
        self::assertMatchesRegularExpression('/^X-Request-Id: [0-9a-f]{32}\r?$/m', $head);
        if (200 !== $status) {
            self::assertStringContainsString('Content-Type: application/problem+json', $head);
            $problem = json_decode($body, true);
            self::assertIsArray($problem);
            self::assertSame($status, $problem['status']);
            self::assertNotSame('', $problem['detail']);
        }
    }
}
