<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Choose\PartReading;

/** Test pieces through the API: what the plate sees of them, and files that this app reads back. */
final class TestPieceTest extends ApiTestCase
{
    public function testEveryPieceIsDrawnAndItsFilesAreReadBackAlike(): void
    {
        $this->signIn('viewer');
        $pieces = $this->ask('GET', '/api/test-pieces', null, 200);
        self::assertGreaterThanOrEqual(6, \count($pieces));
        foreach ($pieces as $piece) {
            $values = array_column($piece['inputs'], 'usual', 'key');
            $drawn = $this->ask('POST', "/api/test-pieces/{$piece['key']}", ['values' => $values, 'number' => 27], 200);
            foreach (['stl', '3mf'] as $format) {
                $response = $this->send('GET', "/api/test-pieces/{$piece['key']}/file?".http_build_query(['format' => $format, 'number' => 27, 'values' => $values]), null);
                self::assertSame(200, $response->getStatusCode(), (string) $response->getContent());
                self::assertStringContainsString(".$format\"", (string) $response->headers->get('Content-Disposition'));
                $path = (string) tempnam(sys_get_temp_dir(), 'piece');
                file_put_contents($path, (string) $response->getContent());
                $read = PartReading::file($path);
                unlink($path);
                self::assertEqualsWithDelta($drawn['shape']['contactAreaMm2'], $read->patch->areaMm2, 1e-3, "{$piece['key']} $format");
                self::assertEqualsWithDelta($drawn['shape']['volumeMm3'], $read->volumeMm3, 0.01, "{$piece['key']} $format");
            }
        }
        // By hand: 6 × 20 mm; b·L²/6 in both directions.
        $block = $this->ask('POST', '/api/test-pieces/pull_block', ['values' => ['along' => 20, 'across' => 6, 'pull_height' => 8, 'eye' => 6], 'number' => null], 200);
        self::assertEqualsWithDelta([120, 400, 120], [$block['shape']['contactAreaMm2'], $block['sectionAlongXMm3'], $block['sectionAlongYMm3']], 1e-3);
    }

    public function testWhatCannotBeMadeIsSaidAtItsField(): void
    {
        $this->signIn('viewer');
        $usual = ['along' => 20, 'across' => 6, 'pull_height' => 8, 'eye' => 6];
        foreach ([['eye' => 12], ['along' => 500], ['across' => null]] as $bad) {
            $values = array_filter($bad + $usual, static fn (?int $value): bool => null !== $value);
            $refused = $this->ask('POST', '/api/test-pieces/pull_block', ['values' => $values, 'number' => null], 422);
            self::assertSame('values.'.array_key_first($bad), $refused['errors'][0]['field']);
        }
        $this->ask('GET', '/api/test-pieces/pull_block/file?values[along]=x', null, 422);
        $this->ask('GET', '/api/test-pieces/pull_block/file?number=-3', null, 422);
        $this->ask('GET', '/api/test-pieces/no_such/file', null, 404);
    }
}
