<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\FileCheck;
use Sitzplatz\Test\FileSettings;
use Sitzplatz\Test\TestPiece;
use Sitzplatz\Tests\Core\Words\Said;

/** Trade notes, section 7: "the same G-code file"; people slip here, and then the cause is unknown. */
final class FileCheckTest extends TestCase
{
    public function testAnotherFileIsNamedInAllThatItChanges(): void
    {
        $wanted = new FileSettings(60.0, 55.0, 210.0, 20.0, 0.45, false);
        self::assertSame([true, []], $this->check('a', new FileSettings(60.0, 55.0, 210.0, 20.4, 0.449, false), $wanted), 'Slicers round.');
        self::assertSame([null, []], $this->check(null, $wanted, $wanted));
        self::assertSame([false, [
            'file.bed_first has=65 wants=60',
            // The bed of the first layer stays where the file never sets another.
            'file.bed_other has=65 wants=55',
            'file.nozzle has=215 wants=210',
            'file.speed has=30 wants=20',
            'file.width has=0.5 wants=0.45',
            'file.brim',
        ]], $this->check('b', new FileSettings(65.0, null, 215.0, 30.0, 0.5, true), $wanted));
        self::assertSame([true, ['file.bed_unwanted has=60']], $this->check('a', new FileSettings(60.0), new FileSettings()), 'A cold bed is a setup too.');
        self::assertSame([true, []], $this->check('a', new FileSettings(nozzleFirstC: 215.0, speedMmS: 20.0, lineWidthMm: 0.45), new FileSettings()), 'What nobody asked for but a bed is no fault.');
        self::assertSame([true, []], $this->check('a', new FileSettings(0.0), new FileSettings()), 'A bed that is off is cold.');
        self::assertSame([true, ['file.no_brim']], $this->check('a', new FileSettings(brim: false), new FileSettings(brim: true)));
        self::assertSame([true, []], $this->check('a', new FileSettings(), $wanted), 'What a file does not say is not held against it.');
    }

    /** 6·F·h/(b·L²) is F·h over the section modulus b·L²/6 (references, "Pull and lift"). */
    public function testADesignOfOnesOwnHasItsOwnAreaAndSection(): void
    {
        $block = new TestPiece('block', 20, 6, 8);
        $own = new TestPiece('ring', 20, 6, 8, 90.0, 6 * 20 ** 2 / 6);
        self::assertEqualsWithDelta($block->edgePeelStressMpa(20), $own->edgePeelStressMpa(20), 1e-12);
        self::assertEqualsWithDelta(20 / 90, $own->shearStressMpa(20), 1e-12);
    }

    /** @return array{?bool, list<string>} */
    private function check(?string $planned, FileSettings $file, FileSettings $wanted): array
    {
        $check = FileCheck::of($planned, 'a', $file, $wanted);

        return [$check->same, Said::all($check->differs)];
    }
}
