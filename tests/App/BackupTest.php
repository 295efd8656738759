<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Backup\BackupKey;
use App\Platform\Backup\BrokenSeal;
use App\Platform\Backup\Retention;
use App\Platform\Backup\Seal;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class BackupTest extends TestCase
{
    private const KEY = 'a key of more than twenty characters';
    private const HEAD = 19 + \SODIUM_CRYPTO_PWHASH_SALTBYTES;
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
        Seal::close(self::stream($content), $out, BackupKey::of(self::KEY));

        return (string) stream_get_contents($out, -1, 0);
    }

    private static function proven(string $content): string
    {
        $out = self::stream();
        Seal::prove(self::stream($content), $out, BackupKey::of(self::KEY));

        return (string) stream_get_contents($out, -1, 0);
    }

    private static function opened(string $sealed, string $key = self::KEY): string
    {
        $out = self::stream();
        Seal::open(self::stream($sealed), $out, BackupKey::of($key));

        return (string) stream_get_contents($out, -1, 0);
    }

    private static function complaint(\Closure $open): string
    {
        try {
            $open();
        } catch (BrokenSeal $e) {
            return $e->getMessage();
        }
        self::fail('It was opened.');
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

    #[TestWith([0])]
    #[TestWith([63])]
    #[TestWith([65_536])]
    #[TestWith([200_000])]
    public function testWhatIsProvenIsReadByEverybodyAndOpensAsItWas(int $bytes): void
    {
        $content = substr(str_repeat('the wrench hangs on the left. ', 10_000), 0, $bytes);
        $proven = self::proven($content);
        self::assertSame($content, self::opened($proven));
        self::assertSame($content, substr($proven, self::HEAD, -64));
    }

    public function testAnotherKeyAChangeAndACutOffEndAreNoticed(): void
    {
        $changed = static function (string $of, int $at): string {
            $of[$at] = "\0" === $of[$at] ? "\1" : "\0";

            return $of;
        };
        $sealed = self::sealed(str_repeat('x', 150_000));
        $proven = self::proven(str_repeat('x', 150_000));
        // Cut off where a piece ends, nothing but the mark of the last one is missing.
        $cut = substr($sealed, 0, self::HEAD + \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES + 65_536 + \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_ABYTES);
        $noFit = 'The key does not fit, or the file was changed.';
        foreach ([$sealed, $proven] as $backup) {
            self::assertSame($noFit, self::complaint(static fn (): string => self::opened($backup, 'another key of more than twenty')));
            foreach ([20, 100_000, \strlen($backup) - 1] as $at) {
                self::assertSame($noFit, self::complaint(static fn (): string => self::opened($changed($backup, $at))), (string) $at);
            }
            self::assertSame('The file ends too early: it is not whole.', self::complaint(static fn (): string => self::opened(substr($backup, 0, 25))));
        }
        self::assertSame('The file ends too early: it is not whole.', self::complaint(static fn (): string => self::opened($cut)));
        foreach ([substr($proven, 0, -1), substr($proven, 0, self::HEAD + 63), $proven.'x', str_replace('proven', 'sealed', $proven)] as $other) {
            self::assertSame($noFit, self::complaint(static fn (): string => self::opened($other)));
        }
        self::assertSame('No key of this app has proven this.', self::complaint(static fn (): string => self::opened('PK nothing of ours at all')));
        self::assertSame('The key has to have 20 characters at least.', self::complaint(static fn (): string => self::opened($sealed, 'short')));
    }

    public function testAKeyIsKnownHoweverItWasWrittenDown(): void
    {
        $key = BackupKey::fresh();
        self::assertMatchesRegularExpression('/^([0-9A-HJKMNP-TV-Z]{4} ){6}[0-9A-HJKMNP-TV-Z]{4}$/', $key->inGroups());
        self::assertNotSame($key->text, BackupKey::fresh()->text);
        foreach ([strtolower($key->inGroups()), str_replace(' ', '-', $key->inGroups()), strtr($key->text, ['0' => 'O', '1' => 'l'])."\n"] as $written) {
            self::assertSame($key->text, BackupKey::of($written)->text, $written);
        }
        self::assertSame('what I chose, with a comma', BackupKey::of(" what I chose, with a comma\n")->text);
        self::assertSame('what I chose, with a comma', BackupKey::of('what I chose, with a comma')->inGroups(), 'Nobody reads it in groups.');
        $end = substr($key->text, -4);
        self::assertTrue(BackupKey::endsWith(strtolower(" $end "), $key->fingerprint(), $key->digestOfEnd()));
        foreach (['', substr($end, 1), substr($key->text, 0, 4).'x', $key->text] as $other) {
            self::assertFalse(BackupKey::endsWith($other, $key->fingerprint(), $key->digestOfEnd()), $other);
        }
    }
}
