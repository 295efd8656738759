<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Catalogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\ChartLine;
use Sitzplatz\Catalogue\ChartWord;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\OwnKind;
use Sitzplatz\Catalogue\Window;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;

/** Kinds of the shop's own, with what their makers say: where to start, and worth less than practice (common practice). */
final class OwnKindTest extends TestCase
{
    use ReadsTheCatalogue;

    private const SURFACE = [
        'id' => 'own_felt',
        'name' => 'felted steel',
        'grip' => '',
        'limit_c' => 90,
        'flexes' => true,
        'finish' => 'texture',
        'plate' => [['spring_steel', 0.4], ['polypropylene', 0.2]],
        'cleaners' => ['soap'],
        'harmed_by' => ['acetone'],
        'life_prints' => 150,
        'cleaning' => 'Soap.',
        'release_way' => 'Flex it.',
        'done_hot' => '',
    ];
    private const MATERIAL = [
        'id' => 'own_blend',
        'name' => 'wood blend',
        'glass_transition_c' => [50, 58],
        'bed_c' => [50, 110],
        'nozzle_c' => [190, 210],
        'expansion_um_mk' => 60,
        'modulus_gpa' => 3,
    ];

    public function testAKindStandsInTheCatalogueWithItsMakersWord(): void
    {
        $grown = self::grown(
            new ChartLine('pla', 'own_felt', null, ChartWord::Recommended, new Window(45, 55, 60), 32.0, 'As of spring.'),
            new ChartLine('petg', 'own_felt', 'pva_stick', ChartWord::Recommended),
            new ChartLine('petg', 'own_felt', null, ChartWord::BondsForGood),
            new ChartLine('abs', 'own_felt', null, ChartWord::DoesNotHold),
            new ChartLine('own_blend', 'own_felt', null, ChartWord::Possible),
        );
        self::assertSame(['felted steel', Basis::MakerGuidance], [$grown->surface('own_felt')->name->english, $grown->surface('own_felt')->basis]);
        $pla = $grown->pairing('pla', 'own_felt');
        self::assertSame([32.0, 45.0, 'Flex it.'], [$pla?->releaseC, $pla?->window->low, $pla?->releaseWay->english]);
        $bare = $pla?->treatment(null);
        self::assertSame([Grade::Fair, Grade::Fair, Basis::MakerGuidance, 'As of spring.'], [$bare?->hold, $bare?->release, $bare?->basis, $bare?->note?->english]);
        $petg = $grown->pairing('petg', 'own_felt');
        self::assertTrue($petg?->bonds, 'Bare lines are read first, wherever they stand in the chart.');
        self::assertTrue($petg->treatment('pva_stick')?->barrier);
        self::assertSame(AgentRole::Release, $petg->treatment('pva_stick')->role);
        self::assertSame([Grade::Never, false], [$grown->pairing('abs', 'own_felt')?->treatment(null)?->hold, $grown->pairing('abs', 'own_felt')?->bonds]);
        self::assertSame(Grade::Poor, $grown->pairing('own_blend', 'own_felt')?->treatment(null)?->hold);
        self::assertNotSame(self::catalogue()->digest, $grown->digest);
        self::assertNull($grown->pairing('pc', 'own_felt'), 'What no chart speaks of is not known.');
    }

    public function testWithoutATemperatureTheMaterialsOwnRangeCountsAsFarAsTheSurfaceStandsIt(): void
    {
        $window = self::grown(new ChartLine('own_blend', 'own_felt', null, ChartWord::Recommended))->pairing('own_blend', 'own_felt')?->window;
        self::assertSame([50.0, 70.0, 90.0, Axis::Celsius], [$window?->low, $window?->target, $window?->high, $window?->axis]);
    }

    public function testAnAgentOnAPairThatDoesNotBondIsForGripAndARefusedOneIsHarmful(): void
    {
        $ways = self::grown(
            new ChartLine('pla', 'own_felt', 'pva_stick', ChartWord::Recommended),
            new ChartLine('pla', 'own_felt', 'spray_film', ChartWord::DoesNotHold),
        )->pairing('pla', 'own_felt')?->treatments;
        self::assertSame([AgentRole::Grip, false], [$ways['pva_stick']->role ?? null, $ways['pva_stick']->barrier ?? null]);
        self::assertSame(AgentRole::Harmful, $ways['spray_film']->role ?? null);
    }

    /** @return iterable<string, array{ChartLine, string}> */
    public static function badLines(): iterable
    {
        yield 'a pair of filament and resin' => [new ChartLine('resin', 'own_felt', null, ChartWord::Recommended), 'catalogue.axis'];
        yield 'seconds for a filament' => [new ChartLine('pla', 'own_felt', null, ChartWord::Recommended, new Window(1, 2, 3, Axis::Seconds)), 'catalogue.axis'];
        yield 'hotter than the surface stands' => [new ChartLine('pla', 'own_felt', null, ChartWord::Recommended, new Window(60, 70, 90.5)), 'catalogue.beyond_limit'];
        yield 'a material that wants more than that' => [new ChartLine('pei', 'own_felt', null, ChartWord::Recommended), 'catalogue.beyond_limit'];
        yield 'an unknown agent' => [new ChartLine('pla', 'own_felt', 'honey', ChartWord::Recommended), 'catalogue.unknown'];
        yield 'an unknown material' => [new ChartLine('gold', 'own_felt', null, ChartWord::Recommended), 'catalogue.unknown'];
        yield 'a way that stands there' => [new ChartLine('petg', 'own_felt', null, ChartWord::Possible), 'catalogue.twice'];
        yield 'another window' => [new ChartLine('petg', 'own_felt', 'pva_stick', ChartWord::Possible, new Window(70, 75, 85)), 'catalogue.other_window'];
    }

    #[DataProvider('badLines')]
    public function testALineThatCannotBeIsRefusedByNameAndLeftOutOfAChart(ChartLine $line, string $key): void
    {
        $first = new ChartLine('petg', 'own_felt', null, ChartWord::Recommended, new Window(65, 75, 85));
        $grown = self::grown($first);
        try {
            $grown->withLine($line);
            self::fail($key);
        } catch (BadCatalogue $bad) {
            self::assertSame($key, $bad->sentence->key);
        }
        self::assertEquals($grown->pairing('petg', 'own_felt'), self::grown($first, $line)->pairing('petg', 'own_felt'));
    }

    public function testAKindThatCannotBeIsRefused(): void
    {
        foreach ([
            'catalogue.named' => OwnKind::surface(['name' => 'Textured PEI'] + self::SURFACE, []),
            'catalogue.unknown' => OwnKind::surface(['plate' => [['cheese', 1]]] + self::SURFACE, []),
            'catalogue.range' => OwnKind::material(['bed_c' => [70, 60]] + self::MATERIAL, []),
        ] as $key => $kind) {
            try {
                self::catalogue()->withKind($kind);
                self::fail($key);
            } catch (BadCatalogue $bad) {
                self::assertSame($key, $bad->sentence->key);
            }
            self::assertArrayNotHasKey('own_felt', self::catalogue()->withKinds([$kind])->surfaces, 'It is left out, and the others stay.');
        }
    }

    private static function grown(ChartLine ...$lines): Catalogue
    {
        return self::catalogue()->withKinds([OwnKind::surface(self::SURFACE, array_values($lines)), OwnKind::material(self::MATERIAL, [])]);
    }
}
