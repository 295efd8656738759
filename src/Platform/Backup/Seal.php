<?php

declare(strict_types=1);

namespace App\Platform\Backup;

/**
 * Makes a stream one that nobody changes without the key, and encrypts it where that is asked for; a cut-off end is noticed.
 *
 * Argon2id over the key; then either XChaCha20-Poly1305 by pieces, each bound to the one before and the last marked as such
 * (libsodium's secretstream), or the stream as it is with a keyed BLAKE2b of all of it at the end.
 */
final class Seal
{
    private const SEALED = "sitzplatz sealed 1\n";
    private const PROVEN = "sitzplatz proven 1\n";
    private const PIECE = 65_536;

    /**
     * @param resource $in
     * @param resource $out
     *
     * @throws BrokenSeal if the key is too short
     */
    public static function close($in, $out, BackupKey $key): void
    {
        $salt = random_bytes(\SODIUM_CRYPTO_PWHASH_SALTBYTES);
        [$state, $header] = sodium_crypto_secretstream_xchacha20poly1305_init_push(self::secret($key, $salt));
        fwrite($out, self::SEALED.$salt.$header);
        $piece = self::read($in, self::PIECE);
        do {
            $next = self::read($in, self::PIECE);
            $tag = '' === $next ? \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL : \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_MESSAGE;
            fwrite($out, sodium_crypto_secretstream_xchacha20poly1305_push($state, $piece, '', $tag));
            $piece = $next;
        } while ('' !== $next);
    }

    /**
     * Everybody may read it, and nobody change it.
     *
     * @param resource $in
     * @param resource $out
     *
     * @throws BrokenSeal if the key is too short
     */
    public static function prove($in, $out, BackupKey $key): void
    {
        $salt = random_bytes(\SODIUM_CRYPTO_PWHASH_SALTBYTES);
        $state = self::beginProof($salt, $key);
        fwrite($out, self::PROVEN.$salt);
        while ('' !== $piece = self::read($in, self::PIECE)) {
            sodium_crypto_generichash_update($state, $piece);
            fwrite($out, $piece);
        }
        fwrite($out, sodium_crypto_generichash_final($state, \SODIUM_CRYPTO_GENERICHASH_BYTES_MAX));
    }

    /**
     * What comes out may be read only once this has come back: the proof stands at the end.
     *
     * @param resource $in
     * @param resource $out
     *
     * @throws BrokenSeal
     */
    public static function open($in, $out, BackupKey $key): void
    {
        match (self::read($in, \strlen(self::SEALED))) {
            self::SEALED => self::openSealed($in, $out, $key),
            self::PROVEN => self::openProven($in, $out, $key),
            default => throw BrokenSeal::noSeal(),
        };
    }

    /**
     * @param resource $in
     * @param resource $out
     *
     * @throws BrokenSeal
     */
    private static function openProven($in, $out, BackupKey $key): void
    {
        $state = self::beginProof(self::salt($in), $key);
        // The last of what came so far may be the proof.
        $held = '';
        while ('' !== $piece = self::read($in, self::PIECE)) {
            $held .= $piece;
            $sure = substr($held, 0, -\SODIUM_CRYPTO_GENERICHASH_BYTES_MAX);
            sodium_crypto_generichash_update($state, $sure);
            fwrite($out, $sure);
            $held = substr($held, \strlen($sure));
        }
        if (!hash_equals(sodium_crypto_generichash_final($state, \SODIUM_CRYPTO_GENERICHASH_BYTES_MAX), $held)) {
            throw BrokenSeal::wrongKeyOrChanged();
        }
    }

    /** @return non-empty-string */
    private static function beginProof(string $salt, BackupKey $key): string
    {
        $state = sodium_crypto_generichash_init(self::secret($key, $salt), \SODIUM_CRYPTO_GENERICHASH_BYTES_MAX);
        sodium_crypto_generichash_update($state, self::PROVEN.$salt);

        return $state;
    }

    /** @param resource $in */
    private static function salt($in): string
    {
        $salt = self::read($in, \SODIUM_CRYPTO_PWHASH_SALTBYTES);

        return \SODIUM_CRYPTO_PWHASH_SALTBYTES === \strlen($salt) ? $salt : throw BrokenSeal::cutOff();
    }

    /**
     * @param resource $in
     * @param resource $out
     *
     * @throws BrokenSeal
     */
    private static function openSealed($in, $out, BackupKey $key): void
    {
        $salt = self::salt($in);
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

    private static function secret(BackupKey $key, string $salt): string
    {
        return sodium_crypto_pwhash(
            \SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_KEYBYTES,
            $key->text,
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
