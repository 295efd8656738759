<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\Pairing;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;
use Sitzplatz\Tests\Core\Words\Said;

/** The knowledge base against the trade notes: every figure and role here is common practice. */
final class KnowledgeTest extends TestCase
{
    use ReadsTheCatalogue;

    /** @return iterable<string, array{string, string, float, float}> material, surface, and the usual bed from … to */
    public static function usualBeds(): iterable
    {
        yield 'PLA on textured PEI 50–60' => ['pla', 'pei_textured', 50, 60];
        yield 'PLA on smooth PEI 60–65' => ['pla', 'pei_smooth', 60, 65];
        yield 'PLA on glass 60' => ['pla', 'glass', 60, 60];
        yield 'PLA on laminate 55–65' => ['pla', 'epoxy_glass', 55, 65];
        yield 'PLA on high-hold film 35–45' => ['pla', 'polyester_high_hold', 35, 45];
        yield 'PLA on the cool plate 30–50' => ['pla', 'low_temp_matte', 30, 50];
        yield 'PETG on textured PEI 65–85' => ['petg', 'pei_textured', 65, 85];
        yield 'PETG on glass 70–80' => ['petg', 'glass', 70, 80];
        yield 'PETG on the cool plate 50–70' => ['petg', 'low_temp_matte', 50, 70];
        yield 'ABS on textured PEI 100–110' => ['abs', 'pei_textured', 100, 110];
        yield 'ABS on smooth PEI up to 120' => ['abs', 'pei_smooth', 100, 120];
        yield 'ABS on glass 93–110' => ['abs', 'glass', 93, 110];
        yield 'ASA as ABS' => ['asa', 'pei_textured', 100, 110];
        yield 'nylon on laminate 70–100' => ['pa', 'epoxy_glass', 70, 100];
        yield 'TPU 30–60' => ['tpu', 'pei_textured', 30, 60];
    }

    #[DataProvider('usualBeds')]
    public function testTheTargetIsAUsualBedTemperature(string $material, string $surface, float $from, float $to): void
    {
        $target = self::pairing($material, $surface)->window->target;
        self::assertGreaterThanOrEqual($from, $target);
        self::assertLessThanOrEqual($to, $target);
    }

    /** @return iterable<string, array{string, string, string, AgentRole}> */
    public static function roles(): iterable
    {
        yield 'stick on glass is grip for PLA' => ['pla', 'glass', 'pva_stick', AgentRole::Grip];
        yield 'the same stick on high-hold film is release' => ['pla', 'polyester_high_hold', 'pva_stick', AgentRole::Release];
        yield 'stick on smooth PEI is release for PETG' => ['petg', 'pei_smooth', 'pva_stick', AgentRole::Release];
        yield 'stick on smooth PEI is release for TPU' => ['tpu', 'pei_smooth', 'pva_stick', AgentRole::Release];
        yield 'stick on textured PEI has no use for PLA' => ['pla', 'pei_textured', 'pva_stick', AgentRole::None];
        yield 'stick on textured PEI is release for PETG' => ['petg', 'pei_textured', 'pva_stick', AgentRole::Release];
        yield 'stick on textured PEI is release for TPU' => ['tpu', 'pei_textured', 'pva_stick', AgentRole::Release];
        yield 'stick on laminate is grip for small nylon parts' => ['pa', 'epoxy_glass', 'pva_stick', AgentRole::Grip];
        yield 'spray on glass is the film for PETG' => ['petg', 'glass', 'spray_film', AgentRole::Grip];
        yield 'spray harms the coated plate' => ['pla', 'low_temp_matte', 'spray_film', AgentRole::Harmful];
        yield 'the engineered adhesive grips for ABS on glass' => ['abs', 'glass', 'polymer_adhesive', AgentRole::Grip];
        yield 'and for nylon on PEI' => ['pa', 'pei_smooth', 'polymer_adhesive', AgentRole::Grip];
    }

    #[DataProvider('roles')]
    public function testWhatAnAgentIsForDependsOnThePair(string $material, string $surface, string $agent, AgentRole $role): void
    {
        self::assertSame($role, self::pairing($material, $surface)->treatment($agent)?->role);
    }

    public function testPairsThatBondNeedABarrierAndSayWhy(): void
    {
        $bonding = [];
        foreach (self::pairings() as $pairing) {
            if (!$pairing->bonds) {
                continue;
            }
            $bonding[] = $pairing->materialId.'/'.$pairing->surfaceId;
            self::assertSame(Grade::Never, $pairing->treatment(null)?->release, 'Bare it will not let go.');
            self::assertNotSame([], $pairing->cautions);
            $barriers = array_filter($pairing->treatments, static fn ($treatment): bool => $treatment->barrier);
            self::assertNotSame([], $barriers, 'There is a way to use the pair.');
            foreach ($barriers as $barrier) {
                self::assertNotNull($barrier->agentId, 'Bare is no barrier.');
            }
        }
        foreach (['petg/pei_smooth', 'tpu/pei_smooth', 'petg/glass', 'pla/polyester_high_hold'] as $pair) {
            self::assertContains($pair, $bonding);
        }
        self::assertNotContains('petg/pei_textured', $bonding, 'Texture is less prone to bond.');
    }

    public function testFiguresFitEachOther(): void
    {
        $catalogue = self::catalogue();
        $seen = 0;
        foreach (self::pairings() as $pairing) {
            ++$seen;
            $material = $catalogue->material($pairing->materialId);
            self::assertLessThan($pairing->window->target, $pairing->releaseC ?? -1, 'A part lets go below its target.');
            self::assertLessThan($material->nozzleC[0] ?? 999, $pairing->window->high);
            self::assertNotNull($pairing->treatment(null), 'Bare is always judged.');
            self::assertNotSame('', $pairing->releaseWay);
        }
        self::assertGreaterThan(140, $seen);
        foreach ($catalogue->materials as $material) {
            self::assertLessThan($material->nozzleC[1] ?? 1, $material->nozzleC[0] ?? 0);
            self::assertLessThanOrEqual($material->bedC[1] ?? 0, $material->bedC[0] ?? 0);
        }
        foreach ($catalogue->agents as $agent) {
            self::assertSame(
                \in_array($agent->carrier->english, ['solvent', 'acetone'], true),
                str_contains($agent->hazard->english ?? '', 'lammable'),
                "$agent->id: a solvent burns.",
            );
        }
    }

    public function testWaterCannotHarmWhereSolventsDo(): void
    {
        self::assertStringContainsString('Soap and hot water only', self::catalogue()->surface('low_temp_matte')->cleaning->english);
        self::assertFalse(self::catalogue()->surface('glass')->flexes);
        self::assertStringContainsString('freezer', implode(' ', Said::all(self::catalogue()->surface('glass')->cautions)));
    }

    private static function pairing(string $material, string $surface): Pairing
    {
        $pairing = self::catalogue()->pairing($material, $surface);
        self::assertNotNull($pairing);

        return $pairing;
    }

    /** @return iterable<Pairing> */
    private static function pairings(): iterable
    {
        $catalogue = self::catalogue();
        foreach ($catalogue->materials as $material) {
            foreach ($catalogue->surfaces as $surface) {
                $pairing = $catalogue->pairing($material->id, $surface->id);
                if (null !== $pairing) {
                    yield $pairing;
                }
            }
        }
    }
}
