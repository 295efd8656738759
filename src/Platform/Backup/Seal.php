<?php

declare(strict_types=1);

namespace App\Platform\Backup;

/**
 * Encrypts a stream so that nobody reads or changes it without the key, and a cut-off end is noticed: Argon2id over the key,
 * then XChaCha20-Poly1305 by pieces, each bound to the one before and the last marked as such (libsodium's secretstream).
 */
final class Seal
{
    private const MAGIC = "sitzplatz sealed 1\n";
    private const PIECE = 65_536;
    private const LEAST_KEY = 20;

    /**
     * @param resource $in
     * @param resource $out
     *
     * @throws BrokenSeal if the key is too short
     */
    public static function close($in, $out, string $key): void
    {
        $salt = random_bytes(\SODIUM_CRYPTO_PWHASH_SALTBYTES);
        [$state, $header] = sodium_crypto_secretstream_xchacha20poly1305_init_push(self::secret($key, $salt));
        fwrite($out, self::MAGIC.$salt.$header);
        $piece = self::read($in, self::PIECE);
        do {
            $next = self::read($in, self::PIECE);
            $tag = '' === $next ? \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL : \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_MESSAGE;
            fwrite($out, sodium_crypto_secretstream_xchacha20poly1305_push($state, $piece, '', $tag));
            $piece = $next;
        } while ('' !== $next);
    }

    /**
     * @param resource $in
     * @param resource $out
     *
     * @throws BrokenSeal
     */
    public static function open($in, $out, string $key): void
    {
        if (self::MAGIC !== self::read($in, \strlen(self::MAGIC))) {
            throw BrokenSeal::noSeal();
        }
        $salt = self::read($in, \SODIUM_CRYPTO_PWHASH_SALTBYTES);
        $header = self::read($in, \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES);
        if (\SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES !== \strlen($header)) {
            throw BrokenSeal::cutOff();
        }
        $state = sodium_crypto_secretstream_xchacha20poly1305_init_pull($header, self::secret($key, $salt));
        do {
            $piece = self::read($in, self::PIECE + \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_ABYTES);
            if ('' === $piece) {
                throw BrokenSeal::cutOff();
            }
            $opened = sodium_crypto_secretstream_xchacha20poly1305_pull($state, $piece);
            if (false === $opened) {
                throw BrokenSeal::wrongKeyOrChanged();
            }
            fwrite($out, $opened[0]);
        } while (\SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL !== $opened[1]);
    }

    private static function secret(string $key, string $salt): string
    {
        if (\strlen($key) < self::LEAST_KEY) {
            throw BrokenSeal::weakKey(self::LEAST_KEY);
        }

        return sodium_crypto_pwhash(
            \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_KEYBYTES,
            $key,
            $salt,
            \SODIUM_CRYPTO_PWHASH_OPSLIMIT_MODERATE,
            \SODIUM_CRYPTO_PWHASH_MEMLIMIT_INTERACTIVE,
        );
    }

    /** @param resource $in */
    private static function read($in, int $bytes): string
    {
        // A pipe gives what it has; a piece is whole or the last.
        $read = '';
        while (\strlen($read) < $bytes && !feof($in)) {
            $read .= (string) fread($in, max(1, $bytes - \strlen($read)));
        }

        return $read;
    }
}
