<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core;

use Sitzplatz\Tests\Core\Words\Said;
use Sitzplatz\Words\Phrase;

/**
 * Outside values pin some points of every rule; these tests hold what lies between as it is, so that no change of a rule or
 * a constant goes unseen. A change that is wanted is taken over with SITZPLATZ_HOLD_FIGURES=1 and read in the difference.
 */
trait HoldsFigures
{
    /** @param array<string, mixed> $figures */
    private static function hold(string $name, array $figures): void
    {
        $file = __DIR__.'/figures/'.preg_replace('~[^a-z]+~', '-', $name).'.txt';
        $lines = [];
        foreach ($figures as $key => $value) {
            $lines[] = $key.': '.self::plain($value);
        }
        if ('' !== (string) getenv('SITZPLATZ_HOLD_FIGURES')) {
            file_put_contents($file, implode("\n", $lines)."\n");
        }
        $held = file($file, \FILE_IGNORE_NEW_LINES) ?: [];
        self::assertSame([], \array_slice(array_diff($lines, $held), 0, 5), "$name differs from what is held.");
        self::assertSame(\count($held), \count($lines), "$name has other figures than what is held.");
    }

    private static function plain(mixed $value): string
    {
        return match (true) {
            null === $value => '-',
            \is_bool($value) => $value ? 'yes' : 'no',
            // Less than a float carries, so that another processor gives the same.
            \is_float($value) => \sprintf('%.7g', abs($value) < 1e-9 ? 0.0 : $value),
            $value instanceof Phrase => Said::of($value),
            $value instanceof \UnitEnum => $value->name,
            \is_array($value) => '['.implode(' | ', array_map(
                static fn (int|string $key, mixed $each): string => (\is_string($key) ? "$key " : '').self::plain($each),
                array_keys($value),
                $value,
            )).']',
            \is_object($value) => self::plain(get_object_vars($value)),
            default => (string) $value,
        };
    }
}
