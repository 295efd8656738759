<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Care;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Care\CleanerFit;
use Sitzplatz\Care\Procedure;
use Sitzplatz\Care\ProcedureStep;
use Sitzplatz\Catalogue\Agent;
use Sitzplatz\Heat\PlateBuild;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Symfony\Component\Yaml\Yaml;

/** Trade notes, sections 4, 10, 13 and 14: every surface has its cleaning, fitting and first use; every agent is put on and taken off. */
final class ProcedureTest extends TestCase
{
    use ReadsTheCatalogue;

    public function testEverySurfaceHasItsCleaningFittingAndFirstUse(): void
    {
        foreach (self::catalogue()->surfaces as $surface) {
            $kinds = array_map(static fn (Procedure $each): string => $each->kind, array_filter(self::all(), static fn (Procedure $each): bool => $each->suits($surface, null, [])));
            self::assertSame([], array_diff(['clean', 'fit', 'first_use'], $kinds), $surface->id);
            if ($surface->wantsScuff) {
                self::assertContains('first_scuff', self::for($surface->id));
            }
        }
    }

    public function testEveryAgentIsPutOnAndTakenOffWithWhatTakesItOff(): void
    {
        foreach (self::catalogue()->agents as $agent) {
            $on = array_filter(self::all(), static fn (Procedure $each): bool => 'coat' === $each->kind && $each->isOf($agent));
            $off = array_values(array_filter(self::all(), static fn (Procedure $each): bool => 'take_off' === $each->kind && $each->isOf($agent)));
            self::assertCount(1, $on, $agent->id);
            self::assertCount(1, $off, $agent->id);
            self::assertContains($off[0]->cleaner, $agent->removedBy, $agent->id);
            // What lasts for more than one print is renewed on the spot; the rest is put on anew for each.
            $renewed = array_filter(self::all(), static fn (Procedure $each): bool => 'touch_up' === $each->effect && $each->isOf($agent));
            self::assertCount($agent->coatPrints > 1 ? 1 : 0, $renewed, $agent->id);
        }
    }

    public function testNothingIsOfferedThatASurfaceDoesNotBear(): void
    {
        // Acetone attacks PEI, alcohol low-temperature plates, and PVA is a matter of any (trade notes, section 3).
        self::assertNotContains('wash_acetone', self::for('pei_textured'));
        self::assertNotContains('wipe_alcohol', self::for('low_temp_matte'));
        self::assertContains('wash_acetone', self::for('glass'));
        $shelf = array_values(self::catalogue()->agents);
        self::assertNotContains('coat_abs', self::for('pei_textured', null, $shelf));
        self::assertContains('coat_abs', self::for('glass', null, $shelf));
        self::assertNotContains('coat_pva_stick', self::for('glass', null, []), 'There is none on the shelf.');
        foreach (self::catalogue()->surfaces as $surface) {
            foreach (self::all() as $each) {
                if (null !== $each->cleaner && $each->suits($surface, null, $shelf)) {
                    self::assertNull(CleanerFit::refusesCleaner($surface, self::catalogue()->cleaners[$each->cleaner]), "$surface->id $each->id");
                }
            }
        }
    }

    public function testACoatComesOffAndIsTouchedUpWhereItIsOn(): void
    {
        $stick = self::catalogue()->agent('pva_stick');
        self::assertSame([], array_intersect(['take_off_water', 'touch_up'], self::for('glass')));
        self::assertContains('take_off_water', self::for('glass', $stick));
        self::assertContains('touch_up', self::for('glass', $stick));
        self::assertNotContains('take_off_film', self::for('glass', $stick));
        // Alcohol takes the stick off, and a wiped film bears it (trade notes, section 4): what cannot be noted is not begun.
        self::assertContains('wipe_alcohol', self::for('glass'));
        self::assertNotContains('wipe_alcohol', self::for('glass', $stick));
        self::assertContains('wipe_alcohol', self::for('glass', self::catalogue()->agent('wiped_film')));
    }

    /** What is glued to its bed is not carried anywhere: no solvent and no running water there (common practice). */
    public function testNothingIsCarriedAwayThatIsGluedToItsBed(): void
    {
        $surface = self::catalogue()->surface('glass');
        $fixed = PlateBuild::of($surface, [], true);
        $shelf = array_values(self::catalogue()->agents);
        $offered = 0;
        foreach (self::all() as $each) {
            if ($each->suits($surface, null, $shelf, $fixed)) {
                ++$offered;
                foreach ($each->steps as $step) {
                    self::assertDoesNotMatchRegularExpression('/(?i)carry|off the printer|take (it|the plate) off|run off/', $step->on($fixed)->english, $each->id);
                }
            }
        }
        self::assertGreaterThan(3, $offered);
        $loose = PlateBuild::of($surface, [], false);
        $soap = array_values(array_filter(self::all(), static fn (Procedure $each): bool => 'wash_soap' === $each->id))[0];
        self::assertNotSame($soap->steps[0]->on($fixed)->english, $soap->steps[0]->on($loose)->english);
    }

    public function testSolventsAndHeatCarryTheirCaution(): void
    {
        foreach (self::all() as $each) {
            if (\in_array($each->cleaner, ['alcohol', 'acetone'], true)) {
                self::assertNotSame([], array_filter($each->steps, static fn (ProcedureStep $step): bool => 1 === preg_match('/lammable|burns/', $step->caution->english ?? '')), $each->id);
            }
        }
    }

    /**
     * @param list<Agent> $shelf
     *
     * @return list<string>
     */
    private static function for(string $surfaceId, ?Agent $coat = null, array $shelf = []): array
    {
        return array_values(array_map(
            static fn (Procedure $each): string => $each->id,
            array_filter(self::all(), static fn (Procedure $each): bool => $each->suits(self::catalogue()->surface($surfaceId), $coat, $shelf)),
        ));
    }

    /** @return list<Procedure> */
    private static function all(): array
    {
        return array_values(array_map(Procedure::fromArray(...), Yaml::parseFile(\dirname(__DIR__, 3).'/catalogue/procedures.yaml')));
    }
}
