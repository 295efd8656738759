<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Words;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** The core says keys and quantities; the words for them stand in one file, and every key has some. */
final class NoProseTest extends TestCase
{
    private const ROOT = __DIR__.'/../../..';

    #[DataProvider('core')]
    public function testNobodyInTheCoreWritesProse(string $file): void
    {
        $found = [];
        $lines = file($file) ?: [];
        foreach (\PhpToken::tokenize((string) file_get_contents($file)) as $token) {
            if ($token->is([\T_CONSTANT_ENCAPSED_STRING, \T_ENCAPSED_AND_WHITESPACE]) && 1 === preg_match(
                '/\pL{2,}[,.:;]? \pL{2,}|%[.\d]*[fds] ?°/u',
                $token->text,
            ) && 1 !== preg_match('/^ *case \w+ = /', $lines[$token->line - 1])) {
                $found[] = $token->line.': '.$token->text;
            }
        }
        self::assertSame([], $found, $file);
    }

    #[DataProvider('code')]
    public function testEveryKeyHasAMessage(string $file): void
    {
        $keys = self::keys();
        $code = (string) preg_replace('/Problem::invalid\(\s*\'[^\']+\'/', '', (string) file_get_contents($file));
        preg_match_all("/'((?:[a-z0-9_]+\\.)+[a-z0-9_A-Z]*)'/", $code, $literals);
        preg_match_all('/Sentence::of\(\s*[\'"]([^\'"$]+)/', $code, $first);
        foreach ([...$literals[1], ...$first[1]] as $key) {
            // A text with points that begins no known group may be anything else; what a sentence is made of may not.
            $group = preg_grep('/^'.strtok($key, '.').'\./', array_keys($keys));
            if (1 !== preg_match('/^[a-z]/', $key) || ([] === $group && !\in_array($key, $first[1], true))) {
                continue;
            }
            // A key that ends with a point goes on with the case of an enumeration.
            $known = isset($keys[$key]) || ('.' === $key[-1] || str_ends_with($key, '_')) && [] !== array_filter(
                array_keys($keys),
                static fn (string $each): bool => str_starts_with($each, $key),
            );
            self::assertTrue($known, "There is no message for $key.");
        }
        self::assertNotSame([], $keys);
    }

    public function testEveryMessageIsAsked(): void
    {
        $code = '';
        foreach ([...self::core(), ...self::files('src')] as [$file]) {
            $code .= file_get_contents($file);
        }
        $unasked = [];
        foreach (array_keys(self::keys()) as $key) {
            $prefix = (string) preg_replace('/[^.]+$/', '', $key);
            if (!str_contains($code, "'$key'") && !str_contains($code, "'$prefix'.") && !preg_match(
                '/"'.str_replace('\.', '\.', preg_quote(strtok($key, '.').'.', '/')).'(?:[a-z_.]*)\{?\$/',
                $code,
            ) && !preg_match("/'".preg_quote((string) preg_replace('/[a-z]+$/', '', $key), '/')."'\\./", $code)) {
                $unasked[] = $key;
            }
        }
        self::assertSame([], $unasked);
    }

    /** @return array<string, array{string}> */
    public static function core(): array
    {
        return self::files('core');
    }

    /** @return array<string, array{string}> */
    public static function code(): array
    {
        return [...self::core(), ...self::files('src')];
    }

    /** @return array<string, array{string}> */
    private static function files(string $folder): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::ROOT.'/'.$folder)) as $file) {
            if ($file instanceof \SplFileInfo && 'php' === $file->getExtension()) {
                $files[substr($file->getPathname(), \strlen(self::ROOT) + 1)] = [$file->getPathname()];
            }
        }
        ksort($files);

        return $files;
    }

    /** @return array<string, string> */
    private static function keys(): array
    {
        static $keys = null;

        return $keys ??= self::flat(Yaml::parseFile(self::ROOT.'/translations/messages+intl-icu.en.yaml'));
    }

    /**
     * @param array<mixed> $messages
     *
     * @return array<string, string>
     */
    private static function flat(array $messages, string $prefix = ''): array
    {
        $flat = [];
        foreach ($messages as $key => $message) {
            $flat += \is_array($message) ? self::flat($message, "$prefix$key.") : ["$prefix$key" => (string) $message];
        }

        return $flat;
    }
}
