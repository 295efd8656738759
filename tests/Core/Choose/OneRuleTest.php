<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Window\SetupCheck;
use Sitzplatz\Tests\Core\Words\Said;

/** One rule for a limit, whoever asks: what Choose offers, Test accepts, over the whole catalogue. */
final class OneRuleTest extends TestCase
{
    use BuildsJobs;

    /** @return iterable<string, array{string, float|null, float}> material, the side's own limit, room */
    public static function shops(): iterable
    {
        foreach (array_keys(self::catalogue()->materials) as $material) {
            foreach ([null, 90.0, 71.3, 52.0] as $limit) {
                yield "$material, ".(null === $limit ? 'no limit of its own' : "a side that stands $limit °C") => [(string) $material, $limit, 20.0];
            }
            yield "$material in a cold room" => [(string) $material, 63.7, 12.0];
        }
    }

    #[DataProvider('shops')]
    public function testWhatChooseOffersTestAccepts(string $material, ?float $limit, float $roomC): void
    {
        $resin = !self::catalogue()->material($material)->filament;
        $job = self::job(
            $material,
            ['roomC' => $roomC] + ($resin ? ['printer' => self::printer([
                'filament' => false,
                'maxBedC' => null,
                'maxNozzleC' => 0.0,
            ])] : ['printer' => self::printer([
                'maxBedC' => 165.0,
                'maxNozzleC' => 450.0,
                'magnetLimitC' => 121.5,
            ])]),
        );
        $sides = [];
        foreach (self::catalogue()->surfaces as $surface) {
            $sides[] = self::side($surface->id, 'P-'.$surface->id, ownLimitC: $limit, heldBy: 0 === \count($sides) % 2 ? HoldDown::Magnet : HoldDown::Clips);
        }
        $ranking = self::rank($job, $sides, array_map(strval(...), array_keys(self::catalogue()->agents)));
        foreach ($ranking->candidates as $candidate) {
            $display = $candidate->target->displayC;
            $refusal = SetupCheck::refuses(self::catalogue(), $job, $candidate->proposal->side, $candidate->treatment->agentId, $display, $display);
            self::assertNull($refusal, Said::of($candidate->proposal->label()).' at '.$display.': '.Said::of($refusal));
        }
        self::assertNotSame([], [...$ranking->candidates, ...$ranking->rejections]);
    }

    public function testTheBedAfterTheFirstLayerIsHeldAgainstTheLimitsToo(): void
    {
        $job = self::job('abs');
        $check = static fn (?float $first, ?float $other): string => Said::of(SetupCheck::refuses(
            self::catalogue(),
            $job,
            self::side('pei_smooth', ownLimitC: 100.0),
            null,
            $first,
            $other,
        ));
        self::assertSame('', $check(95, 95));
        self::assertStringStartsWith('target.too_hot set=118', $check(95, 118));
        self::assertStringStartsWith('target.too_hot set=118', $check(118, 95));
        $cold = self::job('pla', ['printer' => self::printer(['maxBedC' => null])]);
        self::assertSame(
            'setup.no_heater printer=North bay',
            Said::of(SetupCheck::refuses(self::catalogue(), $cold, self::side('painters_tape'), null, null, 40.0)),
        );
    }
}
