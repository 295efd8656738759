<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use PHPUnit\Framework\TestCase;

/** A message of the interface that lacks a value is shown as it is written, braces and all. */
final class InterfaceMessagesTest extends TestCase
{
    private const WEB = __DIR__.'/../../web/src';

    public function testWhoSaysAMessageGivesAllThatItNames(): void
    {
        /** @var array<string, string> $messages */
        $messages = json_decode((string) file_get_contents(self::WEB.'/words/en.json'), true, 4, \JSON_THROW_ON_ERROR);
        $said = 0;
        $lacking = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::WEB, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if (!$file instanceof \SplFileInfo || !\in_array($file->getExtension(), ['ts', 'tsx'], true)) {
                continue;
            }
            $source = (string) file_get_contents($file->getPathname());
            preg_match_all("/\\b(?:say|tell)\\('([\\w.]+)'(\\s*,\\s*\\{)?/", $source, $calls, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE);
            foreach ($calls as $call) {
                ++$said;
                $given = isset($call[2]) ? self::members($source, $call[0][1] + \strlen($call[0][0])) : [];
                $without = array_diff(self::named($messages[$call[1][0]] ?? '{message}'), $given);
                if ([] !== $without && !\in_array('...', $given, true)) {
                    $lacking[] = $file->getFilename().': '.$call[1][0].' without '.implode(', ', $without);
                }
            }
        }
        self::assertSame([], $lacking);
        self::assertGreaterThan(2000, $said);
    }

    public function testWhatAMessageNamesIsFoundHoweverDeep(): void
    {
        self::assertEqualsCanonicalizing(
            ['n', 'kind', 'inner', 'bold', 'x'],
            self::named('{n, plural, one {one} other {# of {x, number}}} {kind, select, a {{inner}} other {}} <bold>words</bold>'),
        );
        self::assertSame(['one', 'two', '...'], self::members("{one: f({a: ','}), two, ...rest})", 1));
    }

    /** @return list<string> arguments and tags of an ICU message */
    private static function named(string $message): array
    {
        preg_match_all('/<(\w+)>/', $message, $tags);
        $names = $tags[1];
        // A choice holds texts in braces, and a text holds arguments in braces: they take turns.
        $inChoice = [false];
        for ($at = 0; $at < \strlen($message); ++$at) {
            if ('{' === $message[$at] && end($inChoice)) {
                $inChoice[] = false;
            } elseif ('{' === $message[$at]) {
                preg_match('/\G\{\s*(\w+)\s*/', $message, $name, 0, $at);
                $names[] = $name[1] ?? '';
                $inChoice[] = true;
            } elseif ('}' === $message[$at]) {
                array_pop($inChoice);
            }
        }

        return array_values(array_unique($names));
    }

    /** @return list<string> of an object that is written in TypeScript, from behind its brace; "..." for what is spread into it */
    private static function members(string $source, int $at): array
    {
        $members = [];
        $depth = 1;
        for ($begin = true; $depth > 0; ++$at) {
            if ($begin && 1 === preg_match('/\G\s*(\.\.\.|\w+)/', $source, $name, 0, $at)) {
                $members[] = $name[1];
                $at += \strlen($name[0]);
            }
            $begin = false;
            $sign = $source[$at];
            if (\in_array($sign, ["'", '"', '`'], true)) {
                $at = (int) strpos($source, $sign, $at + 1);
            } elseif (str_contains('{([', $sign)) {
                ++$depth;
            } elseif (str_contains('})]', $sign)) {
                --$depth;
            } elseif (',' === $sign && 1 === $depth) {
                $begin = true;
            }
        }

        return $members;
    }
}
