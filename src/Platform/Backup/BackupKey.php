<?php

declare(strict_types=1);

namespace App\Platform\Backup;

/**
 * What proves that a backup is ours, and opens one that is sealed: made here, to be written down in groups, or any line that
 * somebody chose.
 */
final readonly class BackupKey
{
    /** Without letters and digits that a hand or an eye confuses (Crockford's base 32). */
    private const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
    private const GROUPS = 7;
    private const GROUP_SIGNS = 4;
    private const LEAST = 20;

    private function __construct(#[\SensitiveParameter] public string $text)
    {
    }

    /** Of 140 bits by chance. */
    public static function fresh(): self
    {
        $text = '';
        for ($i = 0; $i < self::GROUPS * self::GROUP_SIGNS; ++$i) {
            $text .= self::SIGNS[random_int(0, \strlen(self::SIGNS) - 1)];
        }

        return new self($text);
    }

    /**
     * As it was typed or stands in a file. One that was made here is known however it was written.
     *
     * @throws BrokenSeal if it is too short
     */
    public static function of(#[\SensitiveParameter] string $typed): self
    {
        $typed = trim($typed);
        $plain = self::plain($typed);
        $key = new self(self::isMadeHere($plain) ? $plain : $typed);

        return \strlen($key->text) >= self::LEAST ? $key : throw BrokenSeal::weakKey(self::LEAST);
    }

    /** As it is written down; one that somebody chose as it is. */
    public function inGroups(): string
    {
        return self::isMadeHere($this->text) ? implode(' ', str_split($this->text, self::GROUP_SIGNS)) : $this->text;
    }

    /** By which the app knows which key it was, and nobody the key. */
    public function fingerprint(): string
    {
        return substr(hash('sha256', 'sitzplatz backup key '.$this->text), 0, 16);
    }

    /** A digest of the last group, which whoever wrote the key down can type: 120 bits of it stay unknown. */
    public function digestOfEnd(): string
    {
        return self::digest($this->fingerprint(), substr($this->text, -self::GROUP_SIGNS));
    }

    /** Whether that is the last group of the key with this fingerprint and digest. */
    public static function endsWith(string $typed, string $fingerprint, string $digestOfEnd): bool
    {
        return hash_equals($digestOfEnd, self::digest($fingerprint, self::plain($typed)));
    }

    private static function isMadeHere(string $text): bool
    {
        return 1 === preg_match('/^['.self::SIGNS.']{'.self::GROUPS * self::GROUP_SIGNS.'}$/D', $text);
    }

    private static function digest(string $fingerprint, string $end): string
    {
        return hash('sha256', "$fingerprint $end");
    }

    private static function plain(string $typed): string
    {
        return strtr(strtoupper((string) preg_replace('/[\s-]+/', '', $typed)), ['O' => '0', 'I' => '1', 'L' => '1']);
    }
}
