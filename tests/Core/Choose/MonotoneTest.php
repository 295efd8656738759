<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Choose\Request\SideState;

/**
 * What is shown moves the chance, and always the same way: over every pair and way of the catalogue. The directions are
 * common practice (trade notes, sections 5 to 11).
 */
final class MonotoneTest extends TestCase
{
    use BuildsJobs;

    private const LITTLE = 1e-9;

    /** @return iterable<string, array{string}> */
    public static function materials(): iterable
    {
        foreach (self::catalogue()->materials as $id => $material) {
            if ($material->filament) {
                yield $material->name->english => [(string) $id];
            }
        }
    }

    #[DataProvider('materials')]
    public function testAWiderBrimNeverHoldsLess(string $material): void
    {
        $brims = array_map(static fn (float $mm): Foothold => $mm > 0 ? new Foothold(FootholdKind::Brim, $mm) : Foothold::none(), [0.0, 1.0, 4.0, 8.0]);
        $this->rises($material, array_map(static fn (Foothold $brim): array => ['part' => self::thinBar(), 'foothold' => $brim], $brims), self::hold(...));
        $this->rises($material, array_map(static fn (Foothold $brim): array => ['part' => self::thinBar(), 'foothold' => $brim], $brims), self::chance(...));
    }

    #[DataProvider('materials')]
    public function testMorePartsAndMoreMinutesNeverHelp(string $material): void
    {
        $this->rises($material, array_map(static fn (int $n): array => ['partCount' => $n], [40, 20, 10, 9, 5, 2, 1]), self::chance(...), strictly: true);
        $this->rises($material, array_map(static fn (float $m): array => ['minutes' => $m], [2000.0, 600.0, 240.0, 121.0, 60.0]), self::chance(...));
    }

    #[DataProvider('materials')]
    public function testWarmerAirNeverHoldsLess(string $material): void
    {
        $air = [['enclosed' => false], ['enclosed' => true], ['enclosed' => true, 'chamberC' => 60.0], ['enclosed' => true, 'chamberC' => 80.0]];
        if ('needed' === self::catalogue()->material($material)->enclosure->value) {
            // On an open printer it is not printed at all.
            array_shift($air);
        }
        $jobs = array_map(static fn (array $each): array => ['printer' => self::hot($each), 'part' => self::thinBar()], $air);
        $this->rises($material, $jobs, self::hold(...));
    }

    #[DataProvider('materials')]
    public function testAwayFromTheTargetHoldAndReleaseFall(string $material): void
    {
        foreach (self::sides() as $side) {
            $first = self::find(self::rank(self::job($material, ['printer' => self::hot()]), [$side]), $side->surfaceId);
            if (null === $first?->target->displayC) {
                continue;
            }
            $display = $first->target->displayC;
            $hold = $release = [];
            foreach ([-14, -9, -4, 0, 4, 9, 14] as $by) {
                $at = self::rank(self::job($material, ['printer' => self::hot(), 'bedC' => $display + $by]), [$side])->candidates[0] ?? null;
                if (null !== $at) {
                    $hold[] = $at->hold->chance;
                    $release[] = $at->release->chance;
                }
            }
            $sorted = $hold;
            sort($sorted);
            self::assertEqualsWithDelta($sorted, $hold, self::LITTLE, $side->surfaceId.': warmer holds no less.');
            $sorted = $release;
            rsort($sorted);
            self::assertEqualsWithDelta($sorted, $release, self::LITTLE, $side->surfaceId.': warmer lets go no more easily.');
        }
    }

    #[DataProvider('materials')]
    public function testANearerGapAndAHotterNozzleGripMoreAndLetGoLess(string $material): void
    {
        $gaps = array_map(static fn (float $mm): array => ['gapMm' => $mm], [0.6, 0.4, 0.3, 0.2, 0.1, 0.06, 0.03]);
        $this->rises($material, $gaps, self::hold(...), strictly: true);
        $this->rises($material, array_reverse($gaps), self::release(...));
        $usual = self::catalogue()->material($material)->nozzleC ?? [200.0, 220.0];
        $nozzles = array_map(static fn (float $by): array => ['nozzleC' => ($usual[0] + $usual[1]) / 2 + $by], [-30.0, -15.0, -5.0, 0.0, 4.0]);
        $this->rises($material, $nozzles, self::hold(...), strictly: true);
        $this->rises($material, array_reverse($nozzles), self::release(...));
    }

    #[DataProvider('materials')]
    public function testALargerFootIsHarderToTakeOffARigidPlateAndNotByFlexing(string $material): void
    {
        $feet = array_map(
            static fn (float $side): array => ['part' => new PartFacts($side ** 2, 4 * $side, $side * sqrt(2), $side, 20, 4)],
            [200.0, 100.0, 60.0, 30.0, 15.0],
        );
        $this->rises($material, $feet, self::release(...), static fn (SideFacts $side): bool => !$side->build(self::catalogue()->surface($side->surfaceId))->flexes, true);
        $flexing = static fn (SideFacts $side): bool => $side->build(self::catalogue()->surface($side->surfaceId))->flexes;
        $this->rises($material, $feet, self::release(...), $flexing);
        $this->rises($material, array_reverse($feet), self::release(...), $flexing);
    }

    #[DataProvider('materials')]
    public function testAWorseStateNeverHelps(string $material): void
    {
        foreach (self::sides() as $side) {
            $life = self::catalogue()->surface($side->surfaceId)->lifePrints;
            foreach ([
                [new SideState(damages: 3), new SideState(damages: 1), new SideState()],
                [new SideState(printsOnSurface: 3 * $life), new SideState(printsOnSurface: $life + 1), new SideState(printsOnSurface: $life)],
                [new SideState(changesSince: 2), new SideState(changesSince: 1), new SideState()],
            ] as $states) {
                $chances = array_map(static fn (SideState $state): array => self::chances(
                    self::rank(self::job($material, ['printer' => self::hot()]), [self::side($side->surfaceId, $side->id, state: $state)], ['pva_stick', 'polymer_adhesive']),
                    self::chance(...),
                ), $states);
                foreach ($chances[0] as $label => $chance) {
                    self::assertLessThan($chances[1][$label], $chance, $label);
                    self::assertLessThan($chances[2][$label], $chances[1][$label], $label);
                }
            }
        }
    }

    /**
     * @param list<array<string, mixed>>       $jobs     from the worst to the best
     * @param \Closure(Candidate): float       $of
     * @param (\Closure(SideFacts): bool)|null $where
     * @param bool                             $strictly whether it has to rise at every step
     */
    private function rises(string $material, array $jobs, \Closure $of, ?\Closure $where = null, bool $strictly = false): void
    {
        $sides = array_values(array_filter(self::sides(), $where ?? static fn (): bool => true));
        $steps = array_map(static fn (array $job): array => self::chances(
            self::rank(self::job($material, ['printer' => self::hot(), ...$job]), $sides, ['pva_stick', 'spray_film', 'polymer_adhesive']),
            $of,
        ), $jobs);
        for ($i = 1, $n = \count($steps); $i < $n; ++$i) {
            foreach ($steps[$i - 1] as $label => $worse) {
                $better = $steps[$i][$label] ?? null;
                if (null === $better) {
                    continue;
                }
                $must = $strictly && $worse < 0.994 && $worse > 0.006;
                self::assertGreaterThanOrEqual($worse + ($must ? 1e-12 : -self::LITTLE), $better, "$label, step $i");
            }
        }
        self::assertNotSame([], $steps);
    }

    private static function hold(Candidate $candidate): float
    {
        return $candidate->hold->chance;
    }

    private static function release(Candidate $candidate): float
    {
        return $candidate->release->chance;
    }

    private static function chance(Candidate $candidate): float
    {
        return $candidate->chance;
    }

    /**
     * @param \Closure(Candidate): float $of
     *
     * @return array<string, float> by side, agent and whether the bed is off
     */
    private static function chances(Ranking $ranking, \Closure $of): array
    {
        $chances = [];
        foreach ($ranking->candidates as $c) {
            $chances[$c->proposal->surface->id.', '.($c->treatment->agentId ?? 'bare').($c->proposal->off ? ', off' : '')] = $of($c);
        }

        return $chances;
    }

    /** @param array<string, mixed> $change */
    private static function hot(array $change = []): PrinterFacts
    {
        return self::printer(['maxBedC' => 170.0, 'maxNozzleC' => 450.0, 'heaterW' => 900.0, ...$change]);
    }

    /** @return list<SideFacts> one of each kind for filament */
    private static function sides(): array
    {
        $sides = [];
        foreach (self::catalogue()->surfaces as $id => $surface) {
            if ($surface->filament) {
                $sides[] = self::side((string) $id, 'P-'.$id);
            }
        }

        return $sides;
    }
}
