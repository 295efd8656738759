<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Detail\ReleasePlan;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Window\SetupCheck;
use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Tests\Core\Words\Said;

/** What may be done with a plate follows from how it is built and held (common practice; trade notes, sections 4 and 9). */
final class BuildTest extends TestCase
{
    use BuildsJobs;

    private const STEEL = [['spring_steel', 0.5]];

    /** @return iterable<string, array{string, list<array{string, float}>, bool, bool, bool, bool}> surface, layers from below, fixed; comes off, flexes, freezes */
    public static function builds(): iterable
    {
        yield 'PEI film on thin steel' => ['pei_smooth', [...self::STEEL, ['pei', 0.12]], false, true, true, true];
        yield 'PEI on 4 mm glass' => ['pei_smooth', [['soda_lime_glass', 4.0], ['pei', 0.3]], false, true, false, false];
        yield 'PEI on borosilicate' => ['pei_textured', [['borosilicate_glass', 3.0], ['pei', 0.3]], false, true, false, false];
        yield 'a sheet on a loose aluminium plate' => ['pei_smooth', [['aluminium', 3.0], ['pei', 0.3]], false, true, false, false];
        yield 'a sheet glued to an aluminium bed' => ['pei_smooth', [['aluminium', 3.0], ['pei', 0.3]], true, false, false, false];
        yield 'thin steel that is screwed on' => ['pei_textured', [...self::STEEL, ['pei', 0.1]], true, false, false, false];
        yield 'a thick steel plate' => ['bare_spring_steel', [['spring_steel', 3.0]], false, true, false, false];
        yield 'an adhesive sheet on spring steel' => ['adhesive_sheet', [...self::STEEL, ['acrylic_tape', 0.1], ['polymer_composite', 0.7]], false, true, true, true];
        yield 'a thick composite with copper inside' => ['thick_composite', [['polymer_composite', 2.1], ['copper', 0.1], ['polymer_composite', 2.1]], false, true, true, false];
        yield 'glass' => ['glass', [['soda_lime_glass', 4.0]], false, true, false, false];
    }

    /** @param list<array{string, float}> $layers */
    #[DataProvider('builds')]
    public function testWhatAPlateStands(string $surface, array $layers, bool $fixed, bool $comesOff, bool $flexes, bool $freezes): void
    {
        $build = PlateBuild::of(self::catalogue()->surface($surface), self::layers($layers, true), $fixed);
        self::assertSame([$comesOff, $flexes, $freezes], [$build->comesOff, $build->flexes, $build->freezes]);
    }

    public function testWithoutKnownLayersAPlateIsAsUsualForItsKindUnlessItIsFixed(): void
    {
        foreach (self::catalogue()->surfaces as $surface) {
            $loose = PlateBuild::of($surface, [], false);
            self::assertSame([true, $surface->flexes, $surface->freezes], [$loose->comesOff, $loose->flexes, $loose->freezes], $surface->id);
            $fixed = PlateBuild::of($surface, [], true);
            self::assertSame([false, false, false], [$fixed->comesOff, $fixed->flexes, $fixed->freezes], $surface->id);
        }
    }

    public function testTheUsualBuildOfAKindAgreesWithWhatIsSaidOfIt(): void
    {
        foreach (self::catalogue()->surfaces as $surface) {
            if ([] !== $surface->plate && $surface->filament) {
                $build = PlateBuild::of($surface, self::layers($surface->plate, true), false);
                self::assertSame($surface->flexes, $build->flexes, $surface->id);
            }
        }
    }

    public function testNeitherFlexNorFreezerForPeiOnGlass(): void
    {
        $plan = self::release(self::rank(self::job('pla'), [self::side('pei_smooth', layers: self::layers([['soda_lime_glass', 4.0], ['pei', 0.3]], true))]));
        $steps = implode(' ', Said::all($plan->steps));
        self::assertStringNotContainsString('off.flex', $steps);
        self::assertStringNotContainsString('off.freezer', $steps);
        self::assertStringContainsString('off.cool_and_push', $steps);
        self::assertContains('off.no_freezer', Said::all($plan->never));
        self::assertNotContains('freezer', array_column($plan->waits, 'way'));
        self::assertContains('off_printer', array_column($plan->waits, 'way'));
    }

    /** A reader of practitioners' accounts: on spring steel an adhesive sheet flexes, and needs no spatula. */
    public function testAnAdhesiveSheetOnSpringSteelIsFlexed(): void
    {
        $layers = self::layers([...self::STEEL, ['acrylic_tape', 0.1], ['polymer_composite', 0.7]], true);
        $plan = self::release(self::rank(self::job('pla'), [self::side('adhesive_sheet', layers: $layers)]));
        self::assertContains('off.cool_first', Said::all($plan->steps));
        self::assertContains('off.flex', Said::all($plan->steps));
        self::assertContains('off.no_spatula', Said::all($plan->never));
        self::assertStringNotContainsString('spatula', implode(' ', array_filter(Said::all($plan->steps), static fn (string $each): bool => 'off.no_spatula' !== $each)));
    }

    /** What is glued on a bed is on that bed: before anything else lies there it is stripped, half an hour (common practice). */
    public function testWhatIsGluedToABedIsStrippedBeforeAnotherPlateLiesThere(): void
    {
        $ids = static fn (Candidate $each): array => array_column($each->proposal->steps(), 'id');
        $free = self::rank(self::job('pla'), [self::side('pei_textured')]);
        $under = self::rank(self::job('pla'), [self::side('pei_textured', stripFirst: 'P9 front')]);
        self::assertNotContains('strip_bed', $ids($free->candidates[0]));
        self::assertSame('strip_bed', $ids($under->candidates[0])[0]);
        self::assertSame('step.strip_bed plate=P9 front minutes=1800', Said::of($under->candidates[0]->proposal->steps()[0]->words));
        self::assertEqualsWithDelta(
            30.0,
            $under->heat->of($under->candidates[0]->proposal)?->turnaroundMinutes() - $free->heat->of($free->candidates[0]->proposal)?->turnaroundMinutes(),
            1e-9,
            'The half hour is in the time that is shown.',
        );
    }

    public function testAFixedPlateCoolsWhereItIs(): void
    {
        $plan = self::release(self::rank(self::job('pla'), [self::side('pei_textured', layers: self::layers([['aluminium', 3.0], ['pei', 0.3]], true), heldBy: HoldDown::Glue)]));
        self::assertSame(['still_air', 'open_door', 'fan'], array_column($plan->waits, 'way'));
        self::assertContains('off.stays_on', Said::all($plan->never));
    }

    public function testSprayDoesNotGoOntoAPlateThatStaysOnItsPrinter(): void
    {
        $fixed = self::side('glass', heldBy: HoldDown::Glue);
        self::assertStringStartsWith('gate.off_printer', self::refusal(self::rank(self::job('pla'), [$fixed], ['spray_film', 'pva_stick']), 'glass', 'spray_film'));
        self::assertNotNull(self::find(self::rank(self::job('pla'), [self::side('glass')], ['spray_film']), 'glass', 'spray_film'));
        // What Choose does not offer, Test does not take.
        self::assertStringStartsWith('gate.off_printer', Said::of(SetupCheck::refuses(self::catalogue(), self::job('pla'), $fixed, 'spray_film', 60, 60) ?? self::fail()));
    }

    public function testNoCandidateOfAnyPairIsFlexedOrFrozenOnGlassOrWhereItIsFixed(): void
    {
        $seen = 0;
        foreach (self::catalogue()->materials as $material) {
            if (!$material->filament) {
                continue;
            }
            foreach (self::catalogue()->surfaces as $surface) {
                foreach ([['layers' => self::layers([['soda_lime_glass', 4.0]], true)], ['heldBy' => HoldDown::Screws]] as $change) {
                    $ranking = self::rank(self::job($material->id), [self::side($surface->id, 'P1', ...$change)], ['pva_stick', 'spray_film']);
                    foreach ($ranking->candidates as $candidate) {
                        $plan = ReleasePlan::for($candidate, $ranking->heat->cooling($candidate->proposal));
                        $steps = implode(' ', Said::all($plan->steps));
                        self::assertDoesNotMatchRegularExpression('/off\.(flex|freezer)/', $steps, "$material->id on $surface->id");
                        self::assertNotContains('freezer', array_column($plan->waits, 'way'));
                        ++$seen;
                    }
                }
            }
        }
        self::assertGreaterThan(100, $seen);
    }

    /** Float glass bears about 40 K at once (handbook values, from memory): from 57 °C it is not laid on a bench of 15. */
    public function testOnlyGlassThatIsTooHotForTheBenchIsKeptFromIt(): void
    {
        $never = static fn (string $of, float $displayC, float $roomC): string => implode(' ', Said::all(self::release(self::rank(
            self::job('pla', ['bedC' => $displayC, 'roomC' => $roomC]),
            [self::side('glass', 'P1', layers: self::layers([[$of, 'spring_steel' === $of ? 0.5 : 4.0]], true))],
        ))->never));
        self::assertStringContainsString('off.no_cold_bench below=55', $never('soda_lime_glass', 65.0, 15.0));
        self::assertStringNotContainsString('off.no_cold_bench', $never('soda_lime_glass', 55.0, 22.0), 'It is near enough.');
        self::assertStringNotContainsString('off.no_cold_bench', $never('borosilicate_glass', 65.0, 15.0), 'It bears 120 K.');
        self::assertStringNotContainsString('off.no_cold_bench', $never('spring_steel', 65.0, 15.0), 'Steel does not crack.');
    }

    private static function release(Ranking $ranking): ReleasePlan
    {
        return CandidateSums::of($ranking->candidates[0], $ranking->heat, null)->release;
    }
}
