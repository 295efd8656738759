<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use PHPUnit\Framework\TestCase;

/** What is installed is what was pinned: versions, transitive ones too, and every file. */
final class PinsTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/sitzplatz-pins-'.bin2hex(random_bytes(4));
        foreach (['one/thing' => '1.2.0', 'one/other' => '3.0.1'] as $name => $version) {
            mkdir("$this->folder/$name/src", 0o755, true);
            file_put_contents("$this->folder/$name/src/Thing.php", "<?php // $name");
        }
        $this->install(['one/thing' => '1.2.0', 'one/other' => '3.0.1']);
        self::assertSame([0, ''], $this->pins('write'));
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @param array<string, string> $versions */
    private function install(array $versions): void
    {
        @mkdir("$this->folder/composer");
        file_put_contents("$this->folder/composer/installed.json", json_encode(['packages' => array_map(
            static fn (string $name, string $version): array => ['name' => $name, 'version' => $version],
            array_keys($versions),
            $versions,
        )], \JSON_THROW_ON_ERROR));
    }

    /** @return array{int, string} */
    private function pins(string $do, ?string $vendor = null, ?string $pins = null): array
    {
        exec(\sprintf(
            'php %s/bin/parts/pins.php %s %s %s 2>&1',
            escapeshellarg(\dirname(__DIR__, 2)),
            $do,
            escapeshellarg($vendor ?? $this->folder),
            escapeshellarg($pins ?? "$this->folder/pins"),
        ), $lines, $code);

        return [$code, implode("\n", $lines)];
    }

    public function testWhatIsAsWasPinnedPassesWhateverItsTimesAndModes(): void
    {
        touch("$this->folder/one/thing/src/Thing.php", 1);
        chmod("$this->folder/one/thing/src/Thing.php", 0o600);
        self::assertSame([0, ''], $this->pins('check'));
        self::assertSame([0, "--with=one/other:3.0.1\n--with=one/thing:1.2.0"], $this->pins('with'));
    }

    public function testAnythingElseIsRefused(): void
    {
        file_put_contents("$this->folder/one/thing/src/More.php", '<?php // slipped in');
        self::assertSame([1, 'one/thing 1.2.0 has other files than were pinned'], $this->pins('check'));
        unlink("$this->folder/one/thing/src/More.php");
        file_put_contents("$this->folder/one/other/src/Thing.php", '<?php // changed');
        self::assertSame([1, 'one/other 3.0.1 has other files than were pinned'], $this->pins('check'));
        $this->install(['one/thing' => '1.2.1', 'one/more' => '0.1.0']);
        self::assertSame([1, "one/more is not pinned\none/thing is 1.2.1, not 1.2.0\none/other is missing"], $this->pins('check'));
    }

    public function testThisCloneRunsWhatIsPinnedAndPinsWhatItAsksFor(): void
    {
        $root = \dirname(__DIR__, 2);
        self::assertSame([0, ''], $this->pins('check', "$root/vendor", "$root/composer.pins"));
        $pins = (string) file_get_contents("$root/composer.pins");
        self::assertStringNotContainsString('://', $pins);
        $asked = json_decode((string) file_get_contents("$root/composer.json"), true);
        self::assertIsArray($asked);
        foreach ([...$asked['require'], ...$asked['require-dev']] as $name => $version) {
            if (str_contains((string) $name, '/')) {
                self::assertMatchesRegularExpression('#^'.preg_quote("$name ", '#').'v?'.preg_quote("$version ", '#').'#m', $pins);
            }
        }
    }
}
