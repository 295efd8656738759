<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Uid\Uuid;

/** Photos of runs: what is kept is the picture, and nothing else that was in the file. */
final class PhotoTest extends ApiTestCase
{
    private string $comparison;
    private string $run;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
        $this->comparison = $this->pick('/api/comparisons', 'title', 'Dew shields in night-black PETG: bare, stick or cool plate?')['id'];
        $runs = $this->ask('GET', "/api/comparisons/$this->comparison", null, 200)['runs'];
        $this->run = array_values(array_filter($runs, static fn (array $run): bool => 'running' === $run['status']))[0]['id'];
    }

    /** A camera notes where and how it was held (Exif 2.3): the picture is turned, and the place is gone. */
    public function testAPictureIsDrawnAnewUprightAndWithoutWhatTheCameraNoted(): void
    {
        $sent = self::jpeg(2400, 1200, 'SECRET-PLACE 47.1 N 9.5 E');
        self::assertStringContainsString('SECRET-PLACE', $sent);
        $key = Uuid::v7()->toRfc4122();
        $before = $this->version();
        $photo = $this->add($key, 'damage', $sent, 201)['photos'][0];
        self::assertSame([$key, 'damage', 800, 1600], [$photo['id'], $photo['shows'], $photo['width'], $photo['height']]);
        $kept = $this->picture($key);
        self::assertStringNotContainsString('SECRET', $kept);
        self::assertStringNotContainsString('Exif', $kept);
        $image = imagecreatefromstring($kept) ?: self::fail();
        self::assertSame([800, 1600], [imagesx($image), imagesy($image)]);
        // The left half was red; turned by a quarter to the right, it is above.
        $above = imagecolorsforindex($image, (int) imagecolorat($image, 400, 200));
        self::assertGreaterThan(200, $above['red']);
        self::assertLessThan(60, $above['blue']);

        $this->add($key, 'damage', $sent, 200);
        self::assertCount(1, $this->ask('GET', "/api/runs/$this->run", null, 200)['photos'], 'Sent twice, it is one photo.');
        $this->add($key, 'damage', self::jpeg(10, 10), 409);
        $listed = $this->ask('GET', "/api/comparisons/$this->comparison/photos", null, 200);
        self::assertSame([$key, $this->run], [$listed[0]['id'], $listed[0]['runId']]);
        self::assertSame([], $this->ask('POST', "/api/photos/$key/withdraw", null, 200)['photos']);
        self::assertSame([], $this->ask('GET', "/api/comparisons/$this->comparison/photos", null, 200));
        self::assertSame($before, $this->version(), 'A photo contradicts no step of whoever holds the sheet as well.');
    }

    /** Where the red left half and what is blue on the right come to lie (Exif 2.3, tag 274, from memory): above and below, or left and right. */
    #[TestWith([1, 'left'])]
    #[TestWith([2, 'right'])]
    #[TestWith([3, 'right'])]
    #[TestWith([4, 'left'])]
    #[TestWith([5, 'above'])]
    #[TestWith([6, 'above'])]
    #[TestWith([7, 'below'])]
    #[TestWith([8, 'below'])]
    public function testAPictureIsUprightHoweverItWasHeld(int $orientation, string $where): void
    {
        $key = Uuid::v7()->toRfc4122();
        $this->add($key, 'damage', self::jpeg(400, 200, 'x', $orientation), 201);
        $image = imagecreatefromstring($this->picture($key)) ?: self::fail();
        [$w, $h] = [imagesx($image), imagesy($image)];
        self::assertSame($orientation < 5 ? [400, 200] : [200, 400], [$w, $h]);
        [$x, $y] = ['left' => [0.25, 0.5], 'right' => [0.75, 0.5], 'above' => [0.5, 0.25], 'below' => [0.5, 0.75]][$where];
        $there = imagecolorsforindex($image, (int) imagecolorat($image, (int) ($x * $w), (int) ($y * $h)));
        $across = imagecolorsforindex($image, (int) imagecolorat($image, (int) ((1 - $x) * $w), (int) ((1 - $y) * $h)));
        self::assertGreaterThan(200, $there['red']);
        self::assertLessThan(60, $across['red']);
    }

    /** @return iterable<string, array{string, int}> */
    public static function hostile(): iterable
    {
        yield 'nothing' => ['', 422];
        yield 'text' => ['<svg onload="alert(1)">', 422];
        yield 'a page that calls itself a picture' => ['GIF89a<script>alert(1)</script>', 422];
        yield 'a picture that ends early' => [substr(self::jpeg(400, 400), 0, 120), 422];
        // 40 000 × 40 000 pixels in some bytes: opened, they would take 6 GB.
        yield 'a picture that unfolds' => ["\x89PNG\r\n\x1a\n".self::chunk('IHDR', pack('NNCCCCC', 40_000, 40_000, 8, 2, 0, 0, 0)).self::chunk('IDAT', (string) gzcompress('')).self::chunk('IEND', ''), 422];
        yield 'too many bytes' => [str_repeat('x', 12_000_001), 413];
    }

    #[DataProvider('hostile')]
    public function testWhatIsNoPictureIsRefusedAndKeepsNothing(string $sent, int $status): void
    {
        $before = memory_get_peak_usage();
        $this->add(Uuid::v7()->toRfc4122(), 'damage', $sent, $status);
        self::assertLessThan(80_000_000, memory_get_peak_usage() - $before);
        self::assertSame(0, (int) $this->database()->fetchOne('SELECT COUNT(*) FROM run_photo'));
    }

    public function testARunKeepsAFewAndOnlyForThoseWhoMay(): void
    {
        for ($i = 0; $i < 12; ++$i) {
            $this->add(Uuid::v7()->toRfc4122(), 'lift', self::jpeg(20, 10 + $i), 201);
        }
        $this->add(Uuid::v7()->toRfc4122(), 'lift', self::jpeg(20, 40), 409);
        $this->add(Uuid::v7()->toRfc4122(), 'portrait', self::jpeg(20, 40), 422);
        $photo = $this->ask('GET', "/api/runs/$this->run", null, 200)['photos'][0]['id'];
        $this->signIn('viewer');
        $this->add(Uuid::v7()->toRfc4122(), 'lift', self::jpeg(20, 41), 403);
        $this->ask('POST', "/api/photos/$photo/withdraw", null, 403);
        self::assertNotSame('', $this->picture($photo));
        $this->browser->getCookieJar()->clear();
        self::assertSame(401, $this->send('GET', "/api/photos/$photo", null)->getStatusCode());
    }

    /** @return array<mixed> */
    private function add(string $key, string $shows, string $sent, int $status): array
    {
        $response = $this->send('POST', "/api/runs/$this->run/photos?shows=$shows&id=$key", $sent, 'application/octet-stream');
        self::assertSame($status, $response->getStatusCode(), (string) $response->getContent());

        /* @var array<mixed> */
        return json_decode((string) $response->getContent(), true);
    }

    private function picture(string $key): string
    {
        $response = $this->send('GET', "/api/photos/$key", null);
        self::assertSame('image/jpeg', $response->headers->get('Content-Type'));
        self::assertStringContainsString('private', (string) $response->headers->get('Cache-Control'));
        self::assertSame('nosniff', $response->headers->get('X-Content-Type-Options'));

        return (string) $response->getContent();
    }

    /** Red on the left, blue on the right; with a note, as held by a quarter to the left. */
    private static function jpeg(int $width, int $height, string $note = '', int $orientation = 6): string
    {
        $image = imagecreatetruecolor(max(1, $width), max(1, $height));
        imagefilledrectangle($image, 0, 0, intdiv($width, 2), $height, (int) imagecolorallocate($image, 230, 20, 20));
        imagefilledrectangle($image, intdiv($width, 2), 0, $width, $height, (int) imagecolorallocate($image, 20, 20, 230));
        ob_start();
        imagejpeg($image);
        $jpeg = (string) ob_get_clean();
        if ('' === $note) {
            return $jpeg;
        }
        $tiff = "II*\0".pack('V', 8).pack('v', 2).pack('vvVV', 0x010E, 2, \strlen($note) + 1, 38).pack('vvVvv', 0x0112, 3, 1, $orientation, 0).pack('V', 0).$note."\0";
        $exif = "Exif\0\0".$tiff;

        return substr($jpeg, 0, 2)."\xFF\xE1".pack('n', \strlen($exif) + 2).$exif.substr($jpeg, 2);
    }

    private function version(): int
    {
        return $this->ask('GET', "/api/runs/$this->run", null, 200)['run']['version'];
    }

    private static function chunk(string $type, string $data): string
    {
        return pack('N', \strlen($data)).$type.$data.pack('N', crc32($type.$data));
    }
}
