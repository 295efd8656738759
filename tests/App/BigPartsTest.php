<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Bench\BigParts;
use App\Choose\PartReading;
use PHPUnit\Framework\TestCase;

/** The files that the benchmark reads are what they say they are, so that its figures mean something. */
final class BigPartsTest extends TestCase
{
    private string $path = '';

    protected function setUp(): void
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'big');
    }

    protected function tearDown(): void
    {
        unlink($this->path);
    }

    public function testASlabIsAClosedBody(): void
    {
        BigParts::slab($this->path, 40);
        self::assertSame(84 + 50 * (4 * 40 * 40 + 8 * 40), filesize($this->path));
        $slab = PartReading::file($this->path);
        // 40 squares of 0.3 mm: a foot of 12 × 12 mm in one piece, about 6 mm high.
        self::assertSame([6720, []], [$slab->facets, $slab->remarks]);
        self::assertCount(1, $slab->patch->islands);
        self::assertEqualsWithDelta(144, $slab->patch->areaMm2, 1e-3);
        self::assertEqualsWithDelta(48, $slab->patch->outlineMm, 1e-3);
        self::assertEqualsWithDelta(144 * 6.4, $slab->volumeMm3, 144 * 0.6);
    }

    public function testAPlateOfNineBlocksHasNineParts(): void
    {
        BigParts::gcode($this->path, 400_000);
        self::assertGreaterThanOrEqual(400_000, filesize($this->path));
        $plate = PartReading::file($this->path);
        self::assertCount(9, $plate->patch->islands);
        // Blocks of 40 mm between the middles of their outer lines.
        self::assertEqualsWithDelta(9 * 40.45 ** 2, $plate->patch->areaMm2, 9 * 40);
        self::assertEqualsWithDelta(0.2, $plate->firstLayer?->heightMm, 1e-9);
        self::assertSame(['brim' => false, 'raft' => false], ['brim' => $plate->firstLayer?->brim, 'raft' => $plate->firstLayer?->raft]);
    }

    public function testReadingTakesLittleMemoryWhateverTheSize(): void
    {
        $peak = function (int $squares): int {
            BigParts::slab($this->path, $squares);
            gc_collect_cycles();
            memory_reset_peak_usage();
            $before = memory_get_usage();
            PartReading::file($this->path);

            return memory_get_peak_usage() - $before;
        };
        self::assertLessThan(8_000_000, $peak(20));
        // Twenty-five times the facets, and what is kept is a few megabytes still (the design promises 64 for a million).
        self::assertLessThan(8_000_000, $peak(100));
    }
}
