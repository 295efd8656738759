<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Choose\ShapeSlots;
use PHPUnit\Framework\Attributes\DataProvider;
use Sitzplatz\Tests\Core\Shape\BuildsMeshes;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;

/** Files of parts over the API: read as a stream, answered with measures or with a sentence, and never kept. */
final class PartReadingTest extends ApiTestCase
{
    use BuildsMeshes;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('technician');
    }

    public function testABlockIsTakenByItsSize(): void
    {
        $block = $this->ask('POST', '/api/parts/box', ['lengthMm' => 220, 'widthMm' => 30, 'heightMm' => 20], 200);
        self::assertEqualsWithDelta([6600, 500, 222.04, 30], [$block['part']['contactAreaMm2'], $block['part']['outlineMm'], $block['part']['spanMm'], $block['part']['barWidthMm']], 0.01);
        self::assertStringContainsString('longest span 222', $block['words']);
        $this->ask('POST', '/api/parts/box', ['lengthMm' => 0, 'widthMm' => 30, 'heightMm' => 20], 422);
    }

    public function testAModelIsMeasured(): void
    {
        // A box of 100 × 8 × 15 mm.
        $part = $this->read(self::binary(self::box(0, 0, 100, 8, 15)), 200);
        self::assertSame(['stl_binary', 16, 1, 4], [$part['format'], $part['facets'], $part['islands'], \count($part['sharpCorners'])]);
        self::assertEqualsWithDelta([800, 216, 12000, 15], [$part['contactAreaMm2'], $part['outlineMm'], $part['volumeMm3'], $part['heightMm']], 1e-3);
        self::assertEqualsWithDelta([hypot(100, 8), 8], [$part['part']['spanMm'], $part['part']['barWidthMm']], 1e-3);
        self::assertNotSame('none', $part['advice']['foothold']['kind']);
        // What was read can be sent on as it is.
        $printer = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $choice = $this->ask(
            'POST',
            '/api/choose',
            [
                'materialId' => 'pla',
                'printerId' => $printer,
                'lotId' => null,
                'roomC' => 20,
                'partCount' => $part['parts'],
                'jobMinutes' => null,
                'part' => $part['part'],
                'foothold' => $part['foothold'],
            ],
            200,
        );
        self::assertNotNull($choice['detail']['warp']);
    }

    public function testTextAndArchiveGiveTheSameMeasures(): void
    {
        $box = self::box(0, 0, 40, 20, 5);
        $binary = $this->read(self::binary($box), 200);
        $text = $this->read(self::ascii($box), 200);
        $archive = $this->read(self::archive(['3D/3dmodel.model' => self::model($box)]), 200);
        self::assertSame(['stl_ascii', '3mf'], [$text['format'], $archive['format']]);
        foreach (['contactAreaMm2', 'outlineMm', 'heightMm', 'volumeMm3'] as $measure) {
            self::assertEqualsWithDelta($binary[$measure], $text[$measure], 1e-3);
            self::assertEqualsWithDelta($binary[$measure], $archive[$measure], 1e-3);
        }
    }

    /** @return iterable<string, array{string, string}> bytes and words of the answer */
    public static function broken(): iterable
    {
        $box = self::box(0, 0, 40, 20, 5);
        yield 'nothing' => ['', 'empty'];
        yield 'a letter' => ["Dear all,\nthe plates have come.\n", 'STL'];
        yield 'cut off' => [substr(self::binary($box), 0, 300), 'cut off'];
        yield 'no facets' => [self::binary([]), 'no facets'];
        yield 'not a number' => [self::binary([[\NAN, ...\array_slice($box[0], 1)], ...\array_slice($box, 1)]), 'not a number'];
        yield 'text cut off' => [substr(self::ascii($box), 0, 400), 'cut off'];
        yield 'an archive of something else' => [self::archive(['letter.txt' => 'hello']), 'no model'];
        yield 'half an archive' => [substr(self::archive(['3D/3dmodel.model' => self::model($box)]), 0, 200), 'cut off'];
        yield 'a bomb' => [self::archive(['3D/3dmodel.model' => str_repeat(' ', 60 << 20)]), 'unreasonable size'];
        yield 'entities that burst' => [
            self::archive(['3D/3dmodel.model' => '<?xml version="1.0"?><!DOCTYPE m [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><model>&b;</model>']),
            'document type',
        ];
        yield 'too many files' => [
            self::archive(array_combine(array_map(static fn (int $i): string => "f$i", range(1, 2100)), array_fill(0, 2100, 'x'))),
            'too many files',
        ];
        yield 'commands without a part' => ["G28\nM104 S200\nG1 X10 Y10 F3000\nM84\n", 'lays down'];
    }

    #[DataProvider('broken')]
    public function testABrokenFileGetsASentence(string $bytes, string $words): void
    {
        $problem = $this->read($bytes, 422);
        self::assertSame('file', $problem['errors'][0]['field']);
        self::assertStringContainsString($words, $problem['errors'][0]['message']);
        self::assertSame([], self::kept($bytes), 'Nothing of it is kept.');
    }

    public function testABinaryThatSaysSolidIsRead(): void
    {
        self::assertSame('stl_binary', $this->read(self::binary(self::box(0, 0, 10, 10, 10), 'solid something'), 200)['format']);
    }

    public function testAPlateOfManyIsCountedAndItsTemperaturesAreRead(): void
    {
        $lines = ['M82', 'G90', 'M104 S215', 'M140 S60', 'G92 E0'];
        $e = 0.0;
        foreach ([0.2, 0.4] as $z) {
            $lines[] = \sprintf('G0 Z%.1f', $z);
            foreach ([20, 60, 100] as $x) {
                $loop = [[$x, 20], [$x + 20, 20], [$x + 20, 40], [$x, 40], [$x, 20]];
                foreach ($loop as $i => [$toX, $toY]) {
                    $e += 0 === $i ? 0 : 20 * 0.45 * 0.2 / (\M_PI * 1.75 ** 2 / 4);
                    $lines[] = 0 === $i ? "G0 X$toX Y$toY F9000" : \sprintf('G1 X%d Y%d E%.5f F1200', $toX, $toY, $e);
                }
                for ($y = 20.45; $y < 39.7; $y += 0.45) {
                    $e += 20 * 0.45 * 0.2 / (\M_PI * 1.75 ** 2 / 4);
                    array_push($lines, \sprintf('G0 X%d Y%.2f F9000', $x, $y), \sprintf('G1 X%d Y%.2f E%.5f F1200', $x + 20, $y, $e));
                }
            }
        }
        $plate = $this->read(implode("\n", $lines), 200);
        self::assertSame(['gcode', 3, 3], [$plate['format'], $plate['parts'], $plate['islands']]);
        self::assertEqualsWithDelta([215, 60, 20], [$plate['firstLayer']['nozzleC'], $plate['firstLayer']['bedC'], $plate['firstLayer']['speedMmS']], 1e-9);
        self::assertEqualsWithDelta(20.45 ** 2, $plate['part']['contactAreaMm2'], 12, 'Of one part.');
        self::assertFalse($plate['firstLayer']['brim']);
    }

    public function testAViewerMayReadAndAStrangerMayNot(): void
    {
        $this->signIn('viewer');
        $this->read(self::binary(self::box(0, 0, 10, 10, 10)), 200);
        $this->ask('DELETE', '/api/session', null, 204);
        $this->read(self::binary(self::box(0, 0, 10, 10, 10)), 401);
    }

    public function testOnlySoManyPartsAreReadAtOnceAndTheOthersAreToldSo(): void
    {
        $folder = self::getContainer()->getParameter('kernel.cache_dir');
        self::assertIsString($folder);
        $held = [];
        for ($slot = 0; $slot < ShapeSlots::SLOTS; ++$slot) {
            $file = fopen($folder.'/shape-slot-'.$slot, 'c');
            self::assertIsResource($file);
            self::assertTrue(flock($file, \LOCK_EX));
            $held[] = $file;
        }
        $response = $this->send('POST', '/api/parts/read', 'solid x', 'application/octet-stream');
        self::assertSame(503, $response->getStatusCode());
        self::assertStringContainsString('Other parts are being read', (string) $response->getContent());
        fclose($held[1]);
        self::assertSame(422, $this->send('POST', '/api/parts/read', 'solid x', 'application/octet-stream')->getStatusCode(), 'Read, and refused for what it is.');
        fclose($held[0]);
    }

    public function testSpoiltFilesAreReadOrRefusedInWords(): void
    {
        $command = new CommandTester((new Application(self::$kernel ?? self::bootKernel()))->find('sitzplatz:fuzz-shapes'));
        self::assertSame(0, $command->execute(['--inputs' => '60', '--seed' => '11']), $command->getDisplay());
        self::assertMatchesRegularExpression('/60 inputs: \d+ read, \d+ refused in words, 0 broken/', $command->getDisplay());
    }

    /** @return array<mixed> */
    private function read(string $bytes, int $status): array
    {
        $response = $this->send('POST', '/api/parts/read', $bytes, 'application/octet-stream');
        self::assertSame($status, $response->getStatusCode(), (string) $response->getContent());

        return (array) json_decode((string) $response->getContent(), true);
    }

    /** @return list<string> files with these bytes; others read parts of their own at the same time */
    private static function kept(string $bytes): array
    {
        return array_values(array_filter(
            glob(sys_get_temp_dir().'/part*') ?: [],
            static fn (string $file): bool => $bytes === @file_get_contents($file),
        ));
    }

    /** @param array<string, string> $entries */
    private static function archive(array $entries): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'archive');
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::OVERWRITE);
        foreach ($entries as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /** @param list<list<float>> $facets */
    private static function model(array $facets): string
    {
        $vertices = $triangles = '';
        foreach ($facets as $i => $f) {
            foreach ([0, 3, 6] as $at) {
                $vertices .= \sprintf('<vertex x="%F" y="%F" z="%F"/>', $f[$at], $f[$at + 1], $f[$at + 2]);
            }
            $triangles .= \sprintf('<triangle v1="%d" v2="%d" v3="%d"/>', 3 * $i, 3 * $i + 1, 3 * $i + 2);
        }

        return '<?xml version="1.0" encoding="UTF-8"?><model unit="millimeter" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources><object id="1" type="model"><mesh><vertices>'
            .$vertices
            .'</vertices><triangles>'
            .$triangles
            .'</triangles></mesh></object></resources><build><item objectid="1"/></build></model>';
    }
}
