<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\WarpSum;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Request\FileFacts;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Tests\Core\Words\Said;

/**
 * What lifts and what stays down in practice (common practice, trade notes sections 2, 5, 7, 11, 16 and 19; sizes where none were noted are
 * ours). Two constants and a power were fitted to the cases marked "fit"; the others were kept out of it.
 */
final class WarpPracticeTest extends TestCase
{
    use BuildsJobs;

    private const STAYS = ['stays', 'should_stay'];
    private const HOLDS = ['stays', 'should_stay', 'may_lift'];
    private const SLIGHTLY = ['should_stay', 'may_lift'];
    private const LIFTS = ['likely_lifts', 'lifts'];
    private const MAY = ['may_lift', 'likely_lifts', 'lifts'];

    private const OPEN = ['enclosed' => false];
    private const CLOSED = [];
    private const CHAMBER = ['chamberC' => 70.0, 'maxBedC' => 130.0];
    private const NO_HEATER = ['enclosed' => false, 'maxBedC' => null];

    /**
     * Material, surface, agent, length, width, height, minutes, printer, what practice says, and what else.
     *
     * @return iterable<string, array{string, string, string|null, float, float, float, float, array<string, mixed>, list<string>, 8?: array<string, mixed>}>
     */
    public static function cases(): iterable
    {
        yield 'fit: a PLA bar on textured PEI stays' => ['pla', 'pei_textured', null, 100, 8, 15, 60, self::OPEN, self::STAYS];
        yield 'a broad PLA plate stays' => ['pla', 'pei_textured', null, 200, 150, 5, 240, self::OPEN, self::STAYS];
        yield 'fit: a long PETG part stays' => ['petg', 'pei_textured', null, 150, 20, 10, 90, self::OPEN, self::STAYS];
        yield 'fit: a small ABS box in a closed printer stays' => ['abs', 'pei_smooth', null, 20, 20, 20, 60, self::CLOSED, self::STAYS];
        yield 'an ABS box of a hand in a closed printer should stay' => ['abs', 'pei_smooth', null, 60, 60, 30, 180, self::CLOSED, self::HOLDS];
        yield 'a long ABS box in a closed printer may lift' => ['abs', 'pei_smooth', null, 200, 60, 30, 400, self::CLOSED, self::MAY];
        yield 'fit: a long ABS bracket in an open printer lifts' => ['abs', 'pei_smooth', null, 220, 30, 20, 200, self::OPEN, self::LIFTS];
        yield 'fit: an ABS bar on glass with the stick lifts a tenth' => ['abs', 'glass', 'pva_stick', 100, 8, 15, 60, self::CLOSED, self::SLIGHTLY];
        yield 'the same with the bed at 50 after the first layer lifts badly' => [
            'abs', 'glass', 'pva_stick', 100, 8, 15, 60, self::CLOSED, self::LIFTS, ['file' => new FileFacts(93.0, null, 50.0)],
        ];
        yield 'fit: a small nylon tag of ten minutes holds bare' => ['pa', 'hot_grip_steel', null, 40, 30, 3, 10, self::OPEN, self::HOLDS];
        yield 'fit: a nylon tray of hours lifts bare' => ['pa', 'hot_grip_steel', null, 90, 90, 25, 200, self::OPEN, self::LIFTS];
        yield 'long thin nylon lifts bare' => ['pa', 'hot_grip_steel', null, 120, 6, 4, 40, self::OPEN, self::LIFTS];
        yield 'ears help it, and not enough' => [
            'pa', 'hot_grip_steel', null, 120, 6, 4, 40, self::OPEN, self::MAY, ['foothold' => new Foothold(FootholdKind::Ears, 6)],
        ];
        yield 'the stick solves it' => [
            'pa', 'hot_grip_steel', 'pva_stick', 120, 6, 4, 40, self::OPEN, self::HOLDS, ['foothold' => new Foothold(FootholdKind::Ears, 6)],
        ];
        yield 'fit: a PC box in a room lifts' => ['pc', 'adhesive_sheet', null, 80, 80, 30, 240, self::CLOSED, self::LIFTS];
        yield 'in a chamber of 70 it holds' => ['pc', 'adhesive_sheet', null, 80, 80, 30, 240, self::CHAMBER, self::HOLDS];
        yield 'fit: soft TPU does not warp' => ['tpu', 'pei_textured', null, 150, 50, 10, 120, self::OPEN, ['stays']];
        yield 'a small PLA part stays on tape without heat' => ['pla', 'painters_tape', null, 40, 40, 10, 45, self::NO_HEATER, self::STAYS];
        yield 'a PLA bar on the strong pad without heat stays' => ['pla', 'strong_pad', null, 100, 8, 15, 60, self::NO_HEATER, self::HOLDS];
        yield 'fit: ABS without heat lifts' => ['abs', 'thick_composite', null, 100, 8, 15, 60, self::NO_HEATER, self::LIFTS];
        yield 'a broad low ASA panel in a closed printer holds' => ['asa', 'pei_smooth', null, 250, 250, 8, 400, self::CLOSED, self::HOLDS];
        yield 'a long PP bar lifts sooner than one of PLA' => ['pp', 'pp_sheet', null, 150, 20, 10, 90, self::OPEN, self::MAY];
        yield 'thin arms of ABS at a display of 90 pop off' => ['abs', 'thick_composite', null, 120, 6, 12, 90, self::CLOSED, self::LIFTS, ['bedC' => 80.0]];
        yield 'and hold with a slight lift at 100' => ['abs', 'thick_composite', null, 120, 6, 12, 90, self::CLOSED, self::SLIGHTLY, ['bedC' => 100.0]];
    }

    /**
     * @param array<string, mixed> $printer
     * @param list<string>         $words
     * @param array<string, mixed> $change
     */
    #[DataProvider('cases')]
    public function testTheWordIsThatOfPractice(
        string $material,
        string $surface,
        ?string $agent,
        float $length,
        float $width,
        float $height,
        float $minutes,
        array $printer,
        array $words,
        array $change = [],
    ): void {
        $warp = self::warp($material, $surface, $agent, self::box($length, $width, $height), ['minutes' => $minutes, 'printer' => self::printer($printer)] + $change);
        self::assertContains(Said::of($warp->margin->words()), array_map(static fn (string $word): string => "margin.$word", $words));
    }

    /** By hand from the table: all that was fitted is right while a bond bears 0.385 to 0.42 of its strength at an edge. */
    public function testHalfOfTheCasesWereKeptOutOfTheFit(): void
    {
        $names = array_keys(iterator_to_array(self::cases()));
        $fitted = array_filter($names, static fn (string $name): bool => str_starts_with($name, 'fit: '));
        self::assertGreaterThanOrEqual(15, \count($names));
        self::assertLessThanOrEqual(\count($names) / 2, \count($fitted));
    }

    public function testWhatPracticeSeesLiftSoonerHasTheLowerMargin(): void
    {
        $margin = static fn (string $material, PartFacts $part, array $change = [], string $surface = 'pei_smooth'): float => self::warp(
            $material,
            $surface,
            null,
            $part,
            $change + ['minutes' => 120.0],
        )->margin->middle;
        // The tray of hours against the tag of ten minutes; long against short; tall against low; square ends against round ones.
        $nylon = static fn (PartFacts $part, float $minutes): float => $margin('pa', $part, ['minutes' => $minutes], 'hot_grip_steel');
        self::assertLessThan(0.2 * $nylon(self::box(40, 30, 3), 10), $nylon(self::box(90, 90, 25), 200));
        $boxes = array_map(static fn (float $length): float => $margin('abs', self::box($length, 60, 30)), [20.0, 60.0, 120.0, 200.0, 400.0]);
        self::assertSame($boxes, self::falling($boxes));
        self::assertGreaterThan(2 * $boxes[3], $boxes[0]);
        self::assertLessThan($margin('abs', self::box(80, 20, 5)), $margin('abs', self::box(80, 20, 40)));
        self::assertLessThan(0.75 * $margin('abs', self::box(100, 8, 15, 0)), $margin('abs', self::box(100, 8, 15)));
        // Of plastics alike but for one thing: HIPS a little less than ABS, fibre less than none, PC in a chamber less than in a room.
        self::assertLessThan($margin('hips', self::box(120, 40, 20)), $margin('abs', self::box(120, 40, 20)));
        self::assertLessThan($margin('pa_cf', self::box(90, 90, 25), ['minutes' => 200.0], 'hot_grip_steel'), 1.5 * $nylon(self::box(90, 90, 25), 200));
        self::assertLessThan(
            $margin('abs', self::box(120, 40, 20), ['printer' => self::printer(self::CHAMBER)]),
            $margin('abs', self::box(120, 40, 20), ['printer' => self::printer(self::OPEN)]),
        );
        // One tester found 20 against 55 mm/s made no difference: speed is not in it.
        self::assertLessThan($margin('petg', self::box(120, 40, 20), [], 'pei_textured'), $margin('abs', self::box(120, 40, 20)));
        self::assertLessThan($margin('pla', self::box(120, 40, 20)), $margin('petg', self::box(120, 40, 20), [], 'pei_textured'));
    }

    /** Of what holds otherwise, this share lifts: by hand from the margin, 1 ÷ (1 + m²). */
    public function testSumWordsAndChanceAreOneThing(): void
    {
        foreach ([[20, 20, 20], [60, 60, 30], [220, 30, 20]] as [$length, $width, $height]) {
            $change = ['minutes' => 200.0, 'printer' => self::printer(self::OPEN)];
            $candidate = self::candidate('abs', 'pei_smooth', null, self::box($length, $width, $height), $change);
            $margin = (WarpSum::of($candidate, null) ?? self::fail('It warps.'))->margin;
            $rest = $candidate->hold->grade->logOdds();
            $warp = 0.0;
            foreach ($candidate->moved->all() as $influence) {
                $rest += 'warp' === $influence->id ? 0.0 : $influence->onHold;
                $warp += 'warp' === $influence->id ? $influence->onHold : 0.0;
            }
            $without = 1 / (1 + exp(-$rest));
            self::assertEqualsWithDelta($without / (1 + $margin->middle ** -2), 1 / (1 + exp(-$rest - $warp)), 1e-9);
            self::assertEqualsWithDelta(1 / (1 + $margin->middle ** 2), $margin->lifts(), 1e-9);
        }
    }

    /**
     * @param list<float> $values
     *
     * @return list<float>
     */
    private static function falling(array $values): array
    {
        rsort($values);

        return $values;
    }

    private static function box(float $length, float $width, float $height, int $corners = 4): PartFacts
    {
        return new PartFacts($length * $width, 2 * ($length + $width), hypot($length, $width), $length * $width / hypot($length, $width), $height, $corners);
    }

    /** @param array<string, mixed> $change */
    private static function candidate(string $material, string $surface, ?string $agent, PartFacts $part, array $change): Candidate
    {
        $job = self::job($material, $change + ['part' => $part, 'foothold' => Foothold::none()]);
        foreach (self::rank($job, [self::side($surface)], null === $agent ? [] : [$agent])->candidates as $candidate) {
            if ($candidate->treatment->agentId === $agent) {
                return $candidate;
            }
        }
        self::fail("$material on $surface is refused.");
    }

    /** @param array<string, mixed> $change */
    private static function warp(string $material, string $surface, ?string $agent, PartFacts $part, array $change): WarpSum
    {
        return WarpSum::of(self::candidate($material, $surface, $agent, $part, $change), null) ?? self::fail('It warps.');
    }
}
