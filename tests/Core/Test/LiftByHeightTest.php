<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Test;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Test\BadReading;
use Sitzplatz\Test\LiftByHeight;

/** Trade notes, section 8: "calliper the height at both ends and in the middle"; references, "Pull and lift". */
final class LiftByHeightTest extends TestCase
{
    public function testAnEndThatRoseCameOutThinner(): void
    {
        self::assertEqualsWithDelta(0.35, LiftByHeight::of(15.02, 14.67, 'mm')->value, 1e-12);
        self::assertEqualsWithDelta(0.0, LiftByHeight::of(15.02, 15.05, 'mm')->value, 1e-12, 'Thicker is no lift below nothing.');
        self::assertEqualsWithDelta(0.254, LiftByHeight::of(0.60, 0.59, 'in')->value, 1e-9, 'An inch is 25.4 mm (NIST SP 811).');
        foreach ([[0, 1], [15, 0], [\NAN, 1], [150, 1]] as [$middle, $end]) {
            try {
                LiftByHeight::of($middle, $end, 'mm');
                self::fail('That is no height.');
            } catch (BadReading) {
            }
        }
        $this->expectException(BadReading::class);
        LiftByHeight::of(15, 14, 'N');
    }
}
