<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Http\Problem;

/** Whether a password is one that nobody tries first; how long it has to be, the contract says. */
final readonly class NewPassword
{
    /** What is left of it without the own name has to be as long. */
    private const BESIDE_THE_NAME = 8;
    private const SHORTEST_NAME = 3;
    /** Characters that follow each other on a keyboard, in the alphabet or in counting. */
    private const ROWS = ['abcdefghijklmnopqrstuvwxyz', '01234567890', 'qwertyuiop', 'asdfghjkl', 'zxcvbnm', 'qwertzuiop', 'azertyuiop', 'yxcvbnm'];

    public function __construct(private string $projectDir)
    {
    }

    /**
     * @param string $field in which it was sent
     *
     * @throws Problem with what to do
     */
    public function check(string $password, string $name, string $displayName, string $field = 'password'): void
    {
        $small = mb_strtolower($password);
        $tried = [$small];
        foreach ([$name, ...explode(' ', $displayName)] as $own) {
            if (mb_strlen($own) < self::SHORTEST_NAME || !str_contains($small, mb_strtolower($own))) {
                continue;
            }
            $rest = str_replace(mb_strtolower($own), '', $small);
            if (mb_strlen($rest) < self::BESIDE_THE_NAME) {
                throw Problem::invalid($field, 'This is little more than the name. Write another, of several words.');
            }
            $tried[] = $rest;
        }
        foreach ($tried as $each) {
            if (self::repeats($each) || self::runsOn($each) || \in_array($each, $this->common(), true)) {
                throw Problem::invalid($field, 'This is among the first that anybody tries. Write another, of several words.');
            }
        }
    }

    /** The same again and again, as in abcabcabcabc or wrenchwrench. */
    private static function repeats(string $password): bool
    {
        return 1 === preg_match('/^(.+?)[\s_.-]*(?:\1[\s_.-]*)+$/us', $password);
    }

    /** One row forwards or backwards. */
    private static function runsOn(string $password): bool
    {
        foreach (self::ROWS as $row) {
            if (str_contains($row.$row, $password) || str_contains(strrev($row.$row), $password)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    private function common(): array
    {
        $lines = file($this->projectDir.'/config/passwords/common.txt', \FILE_IGNORE_NEW_LINES) ?: [];

        return array_values(array_filter($lines, static fn (string $line): bool => '#' !== ($line[0] ?? '#')));
    }
}
