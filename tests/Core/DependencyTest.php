<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core;

use PHPUnit\Framework\TestCase;

/** core/ depends on nothing outside itself and PHP: no framework, no database, no clock, no files. */
final class DependencyTest extends TestCase
{
    private const FOLDERS = [
        'Care',
        'Catalogue',
        'Choose',
        'Fix',
        'Heat',
        'Judge',
        'Keep',
        'Mixing',
        'Shape',
        'Statistics',
        'Test',
        'Units',
        'Warp',
        'Words',
        'Evidence',
        'Wear',
    ];
    private const NOT_PURE = [
        'fopen',
        'file_get_contents',
        'file_put_contents',
        'readfile',
        'unlink',
        'scandir',
        'time',
        'microtime',
        'hrtime',
        'date',
        'getenv',
        'setlocale',
        'header',
        'mt_rand',
        'rand',
        'random_int',
        'shuffle',
        'curl_init',
        'exec',
        'sleep',
        'usleep',
    ];

    public function testNoLineIsTooLongToRead(): void
    {
        self::assertSame([], $this->lines(static fn (string $line): bool => mb_strlen($line) > 160));
    }

    /** What is no number gets past !(a > b) in the app: the optimizer that it runs with makes a <= b of it. */
    public function testNoComparisonIsTurnedRound(): void
    {
        self::assertSame([], $this->lines(static fn (string $line): bool => 1 === preg_match('/!\\([^()&|?]+ [<>]=? [^()&|?]+\\)/', $line)));
    }

    /**
     * @param \Closure(string): bool $is
     *
     * @return list<string> of core and src that are so
     */
    private function lines(\Closure $is): array
    {
        $found = [];
        foreach (['core', 'src'] as $folder) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(__DIR__.'/../../'.$folder)) as $file) {
                if (!$file instanceof \SplFileInfo || 'php' !== $file->getExtension()) {
                    continue;
                }
                foreach (file($file->getPathname(), \FILE_IGNORE_NEW_LINES) ?: [] as $number => $line) {
                    if ($is($line)) {
                        $found[] = $file->getPathname().':'.($number + 1);
                    }
                }
            }
        }

        return $found;
    }

    public function testCoreKnowsOnlyItselfAndPhp(): void
    {
        $seen = 0;
        foreach (self::files() as $file => $tokens) {
            ++$seen;
            foreach ($tokens as $i => $token) {
                if (!$token->is([\T_NAME_QUALIFIED, \T_NAME_FULLY_QUALIFIED]) || \T_NAMESPACE === self::wordBefore($tokens, $i)) {
                    continue;
                }
                $name = ltrim($token->text, '\\');
                $php = !str_contains($name, '\\') || str_starts_with($name, 'Random\\');
                self::assertTrue($php || str_starts_with($name, 'Sitzplatz\\'), "$file names $name");
                self::assertStringStartsNotWith('Sitzplatz\\Tests', $name, $file);
            }
        }
        self::assertGreaterThan(60, $seen);
    }

    public function testCoreReadsNoFilesNoClockAndNoChance(): void
    {
        foreach (self::files() as $file => $tokens) {
            foreach ($tokens as $i => $token) {
                $called = $token->is(\T_STRING) || $token->is(\T_NAME_FULLY_QUALIFIED);
                $next = $tokens[$i + 1] ?? null;
                if ($called && null !== $next && '(' === $next->text && !\in_array(
                    self::wordBefore($tokens, $i),
                    [\T_OBJECT_OPERATOR, \T_NULLSAFE_OBJECT_OPERATOR, \T_DOUBLE_COLON, \T_FUNCTION],
                    true,
                )) {
                    self::assertNotContains(strtolower(ltrim($token->text, '\\')), self::NOT_PURE, $file);
                }
                self::assertFalse($token->is([\T_EXIT, \T_ECHO, \T_EVAL, \T_GLOBAL]), "$file: {$token->text}");
            }
        }
    }

    public function testEveryFileHoldsStrictTypesAndOneIdeaInAKnownFolder(): void
    {
        foreach (array_keys(self::files()) as $file) {
            self::assertStringContainsString('declare(strict_types=1);', (string) file_get_contents($file));
            $relative = substr($file, \strlen(self::core()) + 1);
            self::assertDoesNotMatchRegularExpression('/(Utils?|Helpers?|Manager|Service)\.php$/', $relative);
            if (str_contains($relative, '/')) {
                self::assertContains(explode('/', $relative)[0], self::FOLDERS, $relative);
            }
        }
    }

    /** @param list<\PhpToken> $tokens */
    private static function wordBefore(array $tokens, int $at): int
    {
        for ($i = $at - 1; $i >= 0; --$i) {
            if (!$tokens[$i]->isIgnorable()) {
                return $tokens[$i]->id;
            }
        }

        return 0;
    }

    private static function core(): string
    {
        return \dirname(__DIR__, 2).'/core';
    }

    /** @return array<string, list<\PhpToken>> */
    private static function files(): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::core(), \FilesystemIterator::SKIP_DOTS)) as $file) {
            \assert($file instanceof \SplFileInfo);
            if ('php' === $file->getExtension()) {
                $files[$file->getPathname()] = array_values(\PhpToken::tokenize((string) file_get_contents($file->getPathname())));
            }
        }

        return $files;
    }

    /** From left to right: a room uses only rooms to its left; those on one step do not use each other. */
    private const CORE_ROOMS = [
        ['Units', 'Statistics'],
        ['Words'],
        ['Catalogue'],
        ['Heat', 'Warp', 'Shape', 'Resin', 'Mixing', 'Wear'],
        ['Test'],
        ['Judge'],
        ['Evidence'],
        ['Keep', 'Care'],
        ['Choose', 'Fix'],
    ];
    private const SRC_ROOMS = [
        ['Platform'],
        ['Account'],
        ['Catalogue'],
        ['Shelf'],
        ['Device'],
        ['Test'],
        ['Judge'],
        ['Evidence'],
        ['Keep', 'Care'],
        ['Choose', 'Fix'],
        ['Start', 'Demo', 'Bench'],
    ];

    public function testWhatIsInternalIsUsedByItsOwnRoomOnly(): void
    {
        $used = 0;
        foreach ([\dirname(self::core()).'/core', \dirname(self::core()).'/src'] as $folder) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
                self::assertInstanceOf(\SplFileInfo::class, $file);
                $code = (string) file_get_contents($file->getPathname());
                preg_match_all('/Sitzplatz\\\\(\w+)\\\\(?:\w+\\\\)*Internal\\\\\w+/', $code, $named);
                foreach ($named[1] as $room) {
                    ++$used;
                    self::assertStringContainsString("/core/$room/", $file->getPathname());
                }
            }
        }
        self::assertGreaterThan(10, $used);
    }

    public function testARoomUsesOnlyRoomsToItsLeft(): void
    {
        $root = \dirname(self::core());
        foreach ([[self::core(), 'Sitzplatz', self::CORE_ROOMS], [$root.'/src', 'App', self::SRC_ROOMS]] as [$folder, $namespace, $steps]) {
            $at = [];
            foreach ($steps as $step => $rooms) {
                $at += array_fill_keys($rooms, $step);
            }
            $wrong = [];
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
                self::assertInstanceOf(\SplFileInfo::class, $file);
                $relative = substr($file->getPathname(), \strlen($folder) + 1);
                if (!str_contains($relative, '/')) {
                    continue;
                }
                $room = explode('/', $relative)[0];
                self::assertArrayHasKey($room, $at, "$relative stands in a room that nobody knows.");
                preg_match_all('/\b'.$namespace.'\\\\(\w+)\\\\/', (string) file_get_contents($file->getPathname()), $used);
                foreach (array_unique($used[1]) as $other) {
                    if (isset($at[$other]) && $other !== $room && $at[$other] >= $at[$room]) {
                        $wrong[] = "$relative uses $other";
                    }
                }
            }
            self::assertSame([], $wrong);
        }
    }
}
