<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use Doctrine\DBAL\Connection;
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
}
