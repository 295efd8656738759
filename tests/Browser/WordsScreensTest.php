<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;
use Sitzplatz\Tests\ShownFigures;

/** Words, figures and dates are written in one place, in the language, the locale and the units of whoever reads. */
final class WordsScreensTest extends BrowserTestCase
{
    private const BUILD = __DIR__.'/../../public/build/words/';
    /** English with accents, made for trying out whether all words come from the file. */
    private const PSEUDO = 'en-XA';
    /** What the server asks in its own words, which are not of this file. */
    private const DATA = ['judge.holds_and_lets_go'];

    public function testUnitsFollowThePreference(): void
    {
        $this->signIn('technician');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Units and look"]');
        $this->press('°F');
        $this->press('kgf');
        $this->press('Save');
        $this->see('68 °F');
        $this->press('Judge');
        $this->click('//a[.="Filter cells in grey PLA, which plate?"]');
        // 20 N is 2.04 kgf (NIST SP 811).
        $this->see('Hot pull at least 2.04 kgf');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Units and look"]');
        $this->press('°C');
        $this->press('N');
        $this->press('Save');
        $this->see('Hot pull at least 20 N');
    }

    /**
     * @param array<string, string> $preferences
     * @param array<string, string> $shown
     */
    #[DataProvider('figures')]
    public function testFiguresReadAsTheServerWritesThem(array $preferences, array $shown): void
    {
        $this->signIn('technician');
        $this->prefer($preferences);
        $this->open('/');
        $this->see('Good day');
        $this->click('//button[contains(., "Mara")]');
        $this->click('//*[@role="menuitem"][.="Units and look"]');
        $this->click('//summary[.="How figures read now"]');
        $this->see($shown['day']);
        $read = $this->page->executeScript('return Object.fromEntries([...document.querySelectorAll("[data-figure]")].map((e) => [e.dataset.figure, e.textContent]))');
        foreach ($shown as $name => $text) {
            self::assertSame($text, str_replace(["\u{00A0}", "\u{202F}"], ' ', $read[$name] ?? ''), $name);
        }
    }

    /** @return iterable<string, array{array<string, string>, array<string, string>}> */
    public static function figures(): iterable
    {
        foreach (ShownFigures::rows() as $name => $row) {
            yield $name => [$row['preferences'], $row['shown']];
        }
    }

    public function testAFurtherLanguageIsAFileAndNothingElse(): void
    {
        $english = json_decode((string) file_get_contents(self::BUILD.'en.json'), true, flags: \JSON_THROW_ON_ERROR);
        self::assertIsArray($english);
        file_put_contents(self::BUILD.self::PSEUDO.'.json', json_encode(array_map(self::accented(...), $english), \JSON_THROW_ON_ERROR));
        try {
            $this->signIn('lead');
            $this->prefer(['locale' => self::PSEUDO]);
            foreach (['/', '/choose', '/choose/catalogue', '/choose/heat', '/test', '/test/new', '/judge', '/keep', '/care', '/fix', '/shelf', '/people'] as $path) {
                $this->open($path);
                $this->see('Shélf');
                $this->until(fn (): bool => !str_contains($this->text(), 'Öné mömént'), "$path did not come.");
                $text = $this->text();
                $left = array_filter(
                    array_diff_key($english, array_flip(self::DATA)),
                    // Words with a figure in them, and words too short to be told from a name, are left out.
                    static fn (string $words): bool => 1 !== preg_match('/[{<]/', $words) && 1 === preg_match('/[aeiou].* .* .* .*[aeiou]/i', $words) && str_contains($text, $words),
                );
                self::assertSame([], $left, "$path still speaks English.");
            }
        } finally {
            unlink(self::BUILD.self::PSEUDO.'.json');
        }
    }

    /** @param array<string, string> $preferences */
    private function prefer(array $preferences): void
    {
        $this->page->executeAsyncScript(
            'const [wanted, done] = arguments; (async () => { const s = await (await fetch("/api/session")).json(); localStorage.setItem("sitzplatz.locale", wanted.locale ?? "");'
            .'await fetch("/api/preferences", {method: "PUT", headers: {"Content-Type": "application/json", "X-CSRF-Token": s.csrf}, body: JSON.stringify({...s.preferences, ...wanted})}); done(1); })()',
            [$preferences],
        );
    }

    /** A message with other letters, its figures and tags as they are. */
    private static function accented(string $message): string
    {
        $depth = 0;
        $tag = false;
        $text = '';
        foreach (mb_str_split($message) as $letter) {
            $depth += match ($letter) {
                '{' => 1,
                '}' => -1,
                default => 0,
            };
            $tag = '<' === $letter || ($tag && '>' !== $letter);
            // Within an even number of braces stand words, within an odd number the name of a figure and its cases.
            $text .= 0 === $depth % 2 && !$tag ? strtr($letter, ['a' => 'å', 'e' => 'é', 'i' => 'î', 'o' => 'ö', 'u' => 'û', 'A' => 'Å', 'E' => 'É', 'I' => 'Î', 'O' => 'Ö', 'U' => 'Û']) : $letter;
        }

        return $text;
    }
}
