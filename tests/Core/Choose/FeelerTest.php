<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\FeelerFacts;
use Sitzplatz\Choose\Request\ProbeKind;
use Sitzplatz\Tests\Core\Words\Said;

/** Where nought is set by hand, the offset to type follows from the feeler (common practice; trade notes, section 6). */
final class FeelerTest extends TestCase
{
    use BuildsJobs;

    public function testTheOffsetIsWhatTheGapLacksOfTheFeeler(): void
    {
        // By hand: nought with a card of 0.3 mm is 0.3 mm up, so a gap of 0.1 lies 0.2 below it; paper of 0.1 that gives 0.02 is 0.08 up.
        self::assertEqualsWithDelta(-0.2, (new FeelerFacts('card', 0.3))->offsetMm(0.1), 1e-12);
        self::assertEqualsWithDelta(0.02, (new FeelerFacts('paper', 0.1, 0.02))->offsetMm(0.1), 1e-12);
        $all = [new FeelerFacts('card', 0.3), new FeelerFacts('shim', 0.1, 0.0, 'just felt'), new FeelerFacts('foil', 0.05)];
        self::assertSame('shim', FeelerFacts::nearest($all, 0.1)?->name);
        self::assertSame('card', FeelerFacts::nearest($all, 0.28)?->name);
        self::assertNull(FeelerFacts::nearest([], 0.1));
    }

    public function testItIsSaidWhereNoughtIsSetByHandAlone(): void
    {
        $shim = new FeelerFacts('steel shim', 0.05, 0.0, 'just felt');
        $heeds = static fn (ProbeKind $probe, ?float $gapMm = null): string => implode(' | ', Said::all(self::rank(
            self::job('pla', ['printer' => self::printer(['probe' => $probe]), 'gapMm' => $gapMm]),
            [self::side('pei_textured')],
        )->candidates[0]->heeds(null, [$shim])));
        $target = self::catalogue()->pairing('pla', 'pei_textured')->gapMm->target ?? self::fail();
        self::assertStringContainsString(\sprintf('heed.feeler_offset_drag feeler=steel shim drag=just felt offset=%s', round($target - 0.05, 4)), $heeds(ProbeKind::ByHand));
        self::assertStringContainsString('offset=0.15 gap=0.2', $heeds(ProbeKind::ByHand, 0.2));
        self::assertStringNotContainsString('feeler_offset', $heeds(ProbeKind::Touch));
    }
}
