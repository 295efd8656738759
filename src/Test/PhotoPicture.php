<?php

declare(strict_types=1);

namespace App\Test;

use App\Platform\Http\Problem;
use Symfony\Component\HttpFoundation\Response;

/**
 * A picture as it is kept: drawn anew from what was sent, so that nothing but the picture stays of it (no place, no device,
 * no hidden data), turned as it was held, and no larger than anybody looks at.
 */
final readonly class PhotoPicture
{
    public const MOST_BYTES = 12_000_000;
    /** Decoded it takes four bytes a pixel; larger ones are made smaller before they are sent. */
    private const MOST_PIXELS = 25_000_000;
    private const LONGEST_SIDE = 1600;
    private const QUALITY = 82;
    private const TYPES = [\IMAGETYPE_JPEG, \IMAGETYPE_PNG, \IMAGETYPE_WEBP];

    private function __construct(public string $jpeg, public int $width, public int $height)
    {
    }

    /** @throws Problem if it is no picture, or too large to be opened safely */
    public static function of(string $sent): self
    {
        if (\strlen($sent) > self::MOST_BYTES) {
            throw Problem::invalid('photo', 'This picture is larger than 12 MB: send a smaller one.', 413);
        }
        $size = '' === $sent ? false : @getimagesizefromstring($sent);
        if (false === $size || !\in_array($size[2], self::TYPES, true)) {
            throw Problem::invalid('photo', 'This is not a picture that can be read: send JPEG, PNG or WebP.');
        }
        if ($size[0] < 1 || $size[1] < 1 || $size[0] * $size[1] > self::MOST_PIXELS) {
            throw Problem::invalid('photo', 'This picture has more than 25 million pixels: send a smaller one.');
        }
        $image = @imagecreatefromstring($sent);
        if (false === $image) {
            throw Problem::invalid('photo', 'This picture is damaged and cannot be opened: take it again.');
        }
        $image = self::upright(self::scaled($image), \IMAGETYPE_JPEG === $size[2] ? $sent : '');
        // What was transparent is paper.
        $paper = imagecreatetruecolor(imagesx($image), imagesy($image));
        imagefill($paper, 0, 0, (int) imagecolorallocate($paper, 255, 255, 255));
        imagecopy($paper, $image, 0, 0, 0, 0, imagesx($image), imagesy($image));
        ob_start();
        imagejpeg($paper, null, self::QUALITY);

        return new self((string) ob_get_clean(), imagesx($paper), imagesy($paper));
    }

    /** @param string|resource $image as it is kept */
    public static function kept(mixed $image): Response
    {
        return new Response(\is_string($image) ? $image : (string) stream_get_contents($image), 200, [
            'Content-Type' => 'image/jpeg',
            'Content-Disposition' => 'inline',
            // It never changes, and is for those alone who are signed in here.
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    private static function scaled(\GdImage $image): \GdImage
    {
        $share = self::LONGEST_SIDE / max(imagesx($image), imagesy($image));
        $smaller = $share < 1 ? imagescale($image, max(1, (int) round($share * imagesx($image))), max(1, (int) round($share * imagesy($image)))) : $image;

        return false === $smaller ? $image : $smaller;
    }

    /** @param string $jpeg with what its camera noted; "" for none */
    private static function upright(\GdImage $image, string $jpeg): \GdImage
    {
        $noted = '' === $jpeg ? false : @exif_read_data('data://image/jpeg;base64,'.base64_encode($jpeg));
        $orientation = \is_array($noted) ? (int) ($noted['Orientation'] ?? 1) : 1;
        // Every second one is as in a mirror (Exif 2.3, from memory); a front camera writes them so.
        if (\in_array($orientation, [2, 4, 5, 7], true)) {
            imageflip($image, 4 === $orientation ? \IMG_FLIP_VERTICAL : \IMG_FLIP_HORIZONTAL);
        }
        $turn = match ($orientation) {
            3 => 180,
            5, 8 => 90,
            6, 7 => 270,
            default => 0,
        };
        $turned = 0 === $turn ? $image : imagerotate($image, $turn, 0);

        return false === $turned ? $image : $turned;
    }
}
