<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Fix;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Evidence\Learned\Lesson;
use Sitzplatz\Fix\Circumstances;
use Sitzplatz\Fix\Hints;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Wear\SideHistory;

/** What speaks for and against a cause before anybody looks; what is at work is common practice (trade notes, sections 6, 10, 11, 15). */
final class HintsTest extends TestCase
{
    use ReadsTheCatalogue;

    /** @return iterable<string, array{string, \Closure(Catalogue): Circumstances, float|null, string|null}> cause, what is known, factor, key of the reason */
    public static function hints(): iterable
    {
        $side = static fn (int $on, int $washed): \Closure => static fn (Catalogue $all): Circumstances => new Circumstances($all->surface('pei_textured'), new SideHistory($on, $washed));
        $coat = static fn (string $agent, int $prints, ?int $lasts, string $material, string $surface): \Closure => static fn (Catalogue $all): Circumstances => new Circumstances(
            $all->surface($surface),
            new SideHistory(60, 3, $prints, '2026-11-01T00:00:00+00:00', '2026-11-02T00:00:00+00:00', $agent, 'ours'),
            coatLasts: $lasts,
            pairing: $all->pairing($material, $surface),
        );
        $with = static fn (mixed ...$known): \Closure => static fn (Catalogue $all): Circumstances => new Circumstances(...$known);
        yield 'washed just now' => ['dirt', $side(40, 0), 0.3, 'fix.hint.washed'];
        yield 'a wash is due' => ['dirt', $side(40, 10), 2.0, 'fix.hint.since_wash'];
        yield 'a few prints since' => ['dirt', $side(40, 4), null, null];
        yield 'no plate is named' => ['dirt', $with(), null, null];
        yield 'washed, and has stood since' => ['dirt', static fn (Catalogue $all): Circumstances => new Circumstances($all->surface('glass'), new SideHistory(40, 0), 20), 0.8, 'fix.hint.stood'];
        yield 'a new nozzle' => ['gap_high', $with(changedSinceHeld: true), 2.5, 'fix.hint.changed'];
        yield 'a new nozzle, and level' => ['level', $with(changedSinceHeld: true), 2.5, 'fix.hint.changed'];
        yield 'a cold room' => ['bed_cold', $with(roomC: 15.0), 2.0, 'fix.hint.cold_room'];
        yield 'a warm room' => ['bed_cold', $with(roomC: 22.0), null, null];
        yield 'a thick plate' => ['not_soaked', $with(plateMm: 4.5), 2.0, 'fix.hint.thick'];
        yield 'a thin plate' => ['not_soaked', $with(plateMm: 0.6), null, null];
        yield 'a heater board' => ['bed_lowered', $with(boardHeater: true), 2.0, 'fix.hint.board_heater'];
        yield 'a mat of silicone' => ['bed_lowered', $with(boardHeater: false), 0.0, null];
        yield 'nobody knows the heater' => ['bed_lowered', $with(), null, null];
        yield 'a coat that is used up' => ['coat_worn', $coat('pva_stick', 9, 7, 'petg', 'pei_textured'), 3.0, 'fix.hint.coat_used_up'];
        yield 'a fresh coat' => ['coat_worn', $coat('pva_stick', 2, 7, 'petg', 'pei_textured'), 0.3, 'fix.hint.coat_fresh'];
        yield 'a coat that costs grip is washed off, not renewed' => ['coat_worn', $coat('pva_stick', 9, 7, 'pla', 'pei_textured'), 0.0, null];
        yield 'a coat that was put on just now' => ['coat_wrong', $coat('pva_stick', 1, 7, 'pla', 'glass'), 2.0, 'fix.hint.coat_just_put_on'];
        yield 'a coat that others stood on' => ['coat_wrong', $coat('pva_stick', 2, 7, 'pla', 'glass'), 0.3, null];
        yield 'bare, nothing was put on wrong' => ['coat_wrong', $side(40, 4), 0.0, null];
        yield 'bare' => ['coat_worn', $side(40, 4), 0.0, null];
        yield 'a coat that grips' => ['coat_harms', $coat('pva_stick', 2, 7, 'pa', 'epoxy_glass'), 0.0, null];
        yield 'a coat that costs grip' => ['coat_harms', $coat('pva_stick', 2, 7, 'pla', 'pei_textured'), 3.5 * 0.75, 'fix.hint.coat_costs'];
        yield 'bare, it harms nothing' => ['coat_harms', $side(40, 4), 0.0, null];
        yield 'an agent that grips is on' => ['no_agent', $coat('pva_stick', 2, 7, 'pa', 'epoxy_glass'), 0.0, null];
        yield 'no agent would do better' => ['no_agent', static fn (Catalogue $all): Circumstances => new Circumstances(pairing: $all->pairing('pla', 'pei_textured')), 0.0, null];
        yield 'a pair that bonds' => ['no_barrier', static fn (Catalogue $all): Circumstances => new Circumstances(pairing: $all->pairing('petg', 'pei_smooth')), 3.0, 'fix.hint.bonds'];
        yield 'a pair that does not bond' => ['no_barrier', static fn (Catalogue $all): Circumstances => new Circumstances(pairing: $all->pairing('pla', 'pei_textured')), 0.3, null];
        yield 'a film that wants scuffing' => ['not_scuffed', static fn (Catalogue $all): Circumstances => new Circumstances($all->surface('polyester_engineered'), new SideHistory(3, 1)), 2.0, 'fix.hint.wants_scuff'];
        yield 'it was scuffed' => ['not_scuffed', static fn (Catalogue $all): Circumstances => new Circumstances($all->surface('polyester_engineered'), new SideHistory(3, 1, scuffedAt: '2026-11-01T00:00:00+00:00')), 0.0, null];
        yield 'dried long ago' => ['wet', $with(driedDaysAgo: 9, staysDryDays: 2), 3.0, 'fix.hint.dried_long_ago'];
        yield 'dry' => ['wet', $with(driedDaysAgo: 1, staysDryDays: 2), 0.4, 'fix.hint.dry'];
        yield 'a lot opened yesterday' => ['other_lot', $with(lotOpenedDaysAgo: 1), 2.5, 'fix.hint.new_lot'];
        yield 'an old lot' => ['other_lot', $with(lotOpenedDaysAgo: 40), null, null];
        yield 'enclosed' => ['draft', $with(enclosed: true), 0.2, 'fix.hint.enclosed'];
        yield 'open' => ['draft', $with(enclosed: false), null, null];
        yield 'clips hold it' => ['plate_loose', $with(heldByMagnets: false), 0.5, null];
        yield 'magnets on a bed that moves' => ['plate_loose', $with(heldByMagnets: true, bedMoves: true), 1.5, 'fix.hint.bed_moves'];
        yield 'past its life' => ['worn', $side(401, 4), 3.0, 'fix.hint.past_its_life'];
        yield 'young' => ['worn', $side(40, 4), 0.3, 'fix.hint.young'];
        yield 'of middle age' => ['worn', $side(250, 4), null, null];
        $worse = static fn (string $kind): \Closure => $with(worse: [Lesson::kept(['kind' => $kind, 'names' => ['x'], 'prints' => 33, 'well' => 21, 'without' => 0.82, 'with' => 0.64, 'surely' => 0.95])]);
        yield 'own prints say that the sheet holds less' => ['worn', $worse('sheet'), 2.5, 'fix.hint.learned.sheet'];
        yield 'and nothing of a lot by that' => ['wet', $worse('sheet'), null, null];
        yield 'since the last change it holds less' => ['gap_high', $worse('epoch'), 2.5, 'fix.hint.learned.epoch'];
        yield 'the printer holds less' => ['level', $worse('printer'), 2.5, 'fix.hint.learned.printer'];
        yield 'the lot holds less' => ['other_lot', $worse('lot'), 2.5, 'fix.hint.learned.lot'];
        yield 'a sheet that holds less, past its life: the stronger word' => ['worn', static fn (Catalogue $all): Circumstances => new Circumstances($all->surface('pei_textured'), new SideHistory(401, 4), worse: $worse('sheet')($all)->worse), 3.0, 'fix.hint.past_its_life'];
        yield 'nothing is known of it' => ['too_fast', $with(), null, null];
    }

    /** @param \Closure(Catalogue): Circumstances $known */
    #[DataProvider('hints')]
    public function testWhatIsKnownSpeaksForACauseOrAgainstIt(string $cause, \Closure $known, ?float $factor, ?string $why): void
    {
        $hint = Hints::of($cause, $known(self::catalogue()));
        self::assertSame(null === $factor, null === $hint);
        self::assertEqualsWithDelta($factor, $hint?->factor, 1e-9);
        self::assertSame($why, $hint?->why?->key);
    }
}
