<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Backup\BrokenSeal;
use App\Platform\Backup\Retention;
use App\Platform\Backup\Seal;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class BackupTest extends TestCase
{
    private const KEY = 'a key of more than twenty characters';
    private const MB = 1_048_576;

    /** @return array<string, array{at: \DateTimeImmutable, bytes: int}> one an hour for so many days, the last at the end of a Sunday */
    private static function hourly(int $days): array
    {
        $last = new \DateTimeImmutable('2026-03-29 23:00:00', new \DateTimeZone('UTC'));
        $backups = [];
        for ($hours = 24 * $days - 1; $hours >= 0; --$hours) {
            $at = $last->modify("-$hours hours");
            $backups[$at->format('md\TH')] = ['at' => $at, 'bytes' => 10 * self::MB];
        }

        return $backups;
    }

    public function testTheLastOfSevenDaysAndFourWeeksStay(): void
    {
        $backups = self::hourly(60);
        $gone = Retention::superfluous($backups, 1_000 * self::MB);
        self::assertSame(
            ['0308T23', '0315T23', '0322T23', '0323T23', '0324T23', '0325T23', '0326T23', '0327T23', '0328T23', '0329T23'],
            array_map(strval(...), array_values(array_diff(array_keys($backups), $gone))),
        );
    }

    #[TestWith([100, 10])]
    #[TestWith([99, 9])]
    #[TestWith([35, 3])]
    #[TestWith([1, 1])]
    public function testTheOldestGivesWayToTheRoomAndTheNewestToNothing(int $megabytes, int $stay): void
    {
        $backups = self::hourly(60);
        $kept = array_diff(array_keys($backups), Retention::superfluous($backups, $megabytes * self::MB));
        self::assertCount($stay, $kept);
        self::assertContains('0329T23', $kept);
    }

    /** @return resource */
    private static function stream(string $content = '')
    {
        $stream = fopen('php://memory', 'w+');
        self::assertIsResource($stream);
        fwrite($stream, $content);
        rewind($stream);

        return $stream;
    }

    private static function sealed(string $content): string
    {
        $out = self::stream();
        Seal::close(self::stream($content), $out, self::KEY);

        return (string) stream_get_contents($out, -1, 0);
    }

    private static function opened(string $sealed, string $key = self::KEY): string
    {
        $out = self::stream();
        Seal::open(self::stream($sealed), $out, $key);

        return (string) stream_get_contents($out, -1, 0);
    }

    #[TestWith([0])]
    #[TestWith([1])]
    #[TestWith([65_536])]
    #[TestWith([200_000])]
    public function testWhatIsSealedOpensAsItWasAndShowsNothing(int $bytes): void
    {
        $content = substr(str_repeat('the wrench hangs on the left. ', 10_000), 0, $bytes);
        $sealed = self::sealed($content);
        self::assertSame($content, self::opened($sealed));
        self::assertStringNotContainsString('wrench', $sealed);
        self::assertNotSame($sealed, self::sealed($content));
    }

    public function testAnotherKeyAChangeAndACutOffEndAreNoticed(): void
    {
        $sealed = self::sealed(str_repeat('x', 150_000));
        $changed = $sealed;
        $changed[100_000] = "\0" === $changed[100_000] ? "\1" : "\0";
        // Cut off where a piece ends, nothing but the mark of the last one is missing.
        $head = \strlen("sitzplatz sealed 1\n") + \SODIUM_CRYPTO_PWHASH_SALTBYTES + \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES;
        $cut = substr($sealed, 0, $head + 65_536 + \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_ABYTES);
        foreach ([
            'The key does not fit, or the file was changed.' => static fn (): string => self::opened($sealed, 'another key of more than twenty'),
            'The key does not fit, or the file was changed. ' => static fn (): string => self::opened($changed),
            'The file ends too early: it is not whole.' => static fn (): string => self::opened($cut),
            'This is not sealed by this app.' => static fn (): string => self::opened('PK nothing of ours'),
            'The key has to have 20 characters at least.' => static fn (): string => self::opened($sealed, 'short'),
        ] as $complaint => $open) {
            try {
                $open();
                self::fail("Opened: $complaint");
            } catch (BrokenSeal $e) {
                self::assertSame(trim($complaint), $e->getMessage());
            }
        }
    }
}
