<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\MeasuredSurface;
use Sitzplatz\Choose\Window\Dial;
use Sitzplatz\Tests\Core\Words\Said;

/** One number to dial, said together with the surface. */
final class DialTest extends TestCase
{
    use BuildsJobs;

    public function testWhatIsDialledIsSaidWithTheSurface(): void
    {
        // Measured 58 → 55 in a room of 20: by hand that very pair comes back.
        $measured = Dial::at(58, self::printer(), self::side('pei_textured', measured: new MeasuredSurface(58, 55, 20, '2026-11-03')), 20);
        self::assertSame('dial.said display=58 surface=55', Said::of($measured->words()));
        self::assertSame(['measured', 58.0], [$measured->toArray()['basis'], $measured->displayC]);
        self::assertEqualsWithDelta(55, $measured->surfaceC, 1e-6);
        $thin = Dial::at(21, self::printer(), self::side('pei_textured'), 20);
        self::assertSame('dial.same display=21', Said::of($thin->words()));
        self::assertSame('modelled', $thin->toArray()['basis']);
        $unknown = Dial::at(60, self::printer(['bed' => []]), self::side('pei_textured'), 20);
        self::assertSame(['dial.unknown display=60', null, 'unknown'], [Said::of($unknown->words()), $unknown->surfaceC, $unknown->toArray()['basis']]);
    }

    public function testItIsTheSameNumberThatACandidateShows(): void
    {
        foreach (['thick_composite', 'glass', 'pei_textured'] as $surface) {
            $candidate = self::rank(self::job('pla'), [self::side($surface)], ['pva_stick'])->candidates[0];
            $display = $candidate->target->displayC ?? self::fail();
            // The display is a whole degree, so the surface comes back within one.
            self::assertEqualsWithDelta($candidate->target->at, Dial::at($display, self::printer(), self::side($surface), 20)->surfaceC, 1.0);
        }
    }
}
