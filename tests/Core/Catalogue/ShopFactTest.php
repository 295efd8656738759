<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Catalogue;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\AgentRole;
use Sitzplatz\Catalogue\Axis;
use Sitzplatz\Catalogue\BadCatalogue;
use Sitzplatz\Catalogue\Basis;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Catalogue\Grade;
use Sitzplatz\Catalogue\ShopFact;
use Sitzplatz\Catalogue\Standing;
use Sitzplatz\Catalogue\Window;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;

/** What a shop holds true over the catalogue, and what its runs say about a grade. */
final class ShopFactTest extends TestCase
{
    use ReadsTheCatalogue;

    public function testTheWordOfTheShopStandsInFrontOfOurs(): void
    {
        $catalogue = self::catalogue()->with([self::fact('pla', 'pei_textured', null, new Window(48, 52, 58), 30)]);
        $pairing = $catalogue->pairing('pla', 'pei_textured');
        self::assertSame([48.0, 52.0, 58.0, 30.0], [$pairing?->window->low, $pairing?->window->target, $pairing?->window->high, $pairing?->releaseC]);
        $bare = $pairing?->treatment(null);
        self::assertSame([Grade::Fair, Basis::Shop, 'two batches in a row'], [$bare?->hold, $bare?->basis, $bare?->shop?->why]);
        self::assertSame(Grade::Strong, $pairing?->treatment('polymer_adhesive')?->hold, 'The other treatments stay.');
        self::assertNotSame($catalogue->digest, self::catalogue()->digest, 'A choice made with it can be told from one made without.');
        self::assertSame(Grade::Strong, self::catalogue()->pairing('pla', 'pei_textured')?->treatment(null)?->hold, 'Ours is as it was.');
    }

    public function testAWindowCanBeLeftAsItIs(): void
    {
        $ours = self::catalogue()->pairing('pla', 'glass');
        $pairing = self::catalogue()->with([self::fact('pla', 'glass', 'pva_stick')])->pairing('pla', 'glass');
        self::assertEquals($ours?->window, $pairing?->window);
        self::assertSame($ours?->releaseC, $pairing?->releaseC);
        self::assertSame($ours?->treatment('pva_stick')?->note, $pairing?->treatment('pva_stick')?->note);
    }

    public function testAPairThatNobodyKnewCanBeAdded(): void
    {
        self::assertNull(self::catalogue()->pairing('pp', 'painters_tape'));
        $fact = self::fact('pp', 'painters_tape', null, new Window(20, 25, 40), 22);
        self::catalogue()->check($fact);
        $pairing = self::catalogue()->with([$fact])->pairing('pp', 'painters_tape');
        self::assertSame(Basis::Shop, $pairing?->basis);
        self::assertNotSame('', $pairing->releaseWay);
        self::assertSame(self::catalogue(), self::catalogue()->with([]));
    }

    public function testWhatDoesNotFitIsRefused(): void
    {
        foreach ([
            self::fact('pp', 'painters_tape'),
            self::fact('pla', 'resin_sanded', null, new Window(1, 2, 3)),
            self::fact('gold', 'glass'),
            self::fact('pla', 'gold'),
            self::fact('pla', 'glass', 'gold'),
        ] as $fact) {
            try {
                self::catalogue()->check($fact);
                self::fail('This does not fit.');
            } catch (BadCatalogue $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
        self::assertNull(self::catalogue()->with([self::fact('pp', 'painters_tape')])->pairing('pp', 'painters_tape'), 'Without a window it is left out.');
    }

    public function testTheBestWayAndTheQuestionsOfAPair(): void
    {
        // Common practice (trade notes, sections 3 and 16).
        $best = static fn (string $material, string $surface): ?string => self::catalogue()->pairing($material, $surface)?->best()->agentId;
        self::assertNull($best('pla', 'pei_textured'), 'Bare, where an agent is no surer.');
        self::assertSame('pva_stick', $best('petg', 'pei_smooth'), 'The barrier.');
        self::assertSame('pp_primer', $best('pp', 'pp_sheet'));
        self::assertNull($best('pp', 'glass'), 'Nothing helps: bare stands for it.');
        $questions = static fn (string ...$agents): array => array_map(
            static fn ($school): string => $school->id,
            self::catalogue()->schoolsOn('petg', 'pei_textured', ...$agents),
        );
        self::assertContains('glue_on_texture', $questions('pva_stick'));
        self::assertNotContains('glue_on_texture', $questions());
        self::assertContains('glue_on_texture', $questions('spray_film', 'pva_stick'));
    }

    public function testRunsConfirmOrRefuteAGrade(): void
    {
        // Clopper–Pearson, 90 %: R binom.test(1, 10, conf.level = 0.9) gives 0.0051 to 0.394, below the span of strong from 0.8;
        // binom.test(9, 10, conf.level = 0.9) gives 0.606 to 0.995, within reach.
        self::assertSame(Standing::Untried, Grade::Strong->standing(0, 0));
        self::assertSame(Standing::Open, Grade::Strong->standing(4, 4), 'Four are too few.');
        self::assertSame(Standing::Confirmed, Grade::Strong->standing(9, 10));
        self::assertSame(Standing::Refuted, Grade::Strong->standing(1, 10));
        self::assertSame(Standing::Refuted, Grade::Never->standing(9, 10));
        self::assertSame(Standing::Confirmed, Grade::Never->standing(0, 5));
        self::assertSame(Standing::Open, Grade::Fair->standing(10, 10), 'Its lower bound, 0.74, still lies in the span of fair.');
        self::assertSame(Standing::Refuted, Grade::Fair->standing(30, 30), 'R: 0.905 to 1.');
    }

    /** That a sheet is given up to a pair that bonds for good is a lead's word: bare, where it bonds, and as a barrier; all else is anybody's. */
    public function testOnlyALeadGivesASheetUp(): void
    {
        $refused = static function (string $surface, ?string $agent, bool $barrier, bool $byLead): bool {
            $fact = new ShopFact('petg', $surface, $agent, new Window(60, 70, 80, Axis::Celsius), null, AgentRole::Grip, Grade::Fair, Grade::Strong, $barrier, 'seen', 'Mara', '2026-11-01');
            try {
                self::catalogue()->check($fact, $byLead);

                return false;
            } catch (BadCatalogue) {
                return true;
            }
        };
        self::assertTrue($refused('pei_smooth', null, true, false));
        self::assertFalse($refused('pei_smooth', null, true, true));
        self::assertFalse($refused('pei_smooth', null, false, false));
        self::assertFalse($refused('pei_smooth', 'pva_stick', true, false));
        self::assertFalse($refused('pei_textured', null, true, false), 'It does not bond there.');
    }

    /** That a material goes without the chamber it is said to need is a lead's word; it then passes on that way of use alone. */
    public function testALeadsWordOpensAnOpenPrinter(): void
    {
        $fact = new ShopFact('pc', 'pei_smooth', null, null, null, AgentRole::None, Grade::Fair, Grade::Fair, false, 'small clips, nine of nine', 'Tess', '2026-11-02', true);
        $catalogue = self::catalogue();
        $catalogue->check($fact, true);
        $pass = static fn (Catalogue $known): array => array_map(
            static fn (Candidate $each): string => $each->treatment->agentId ?? 'bare',
            Ranking::of(
                $known,
                new JobRequest($known->material('pc'), new PrinterFacts('p', 'Open', true, 250, 210, 120, 300, false, null), 22.0),
                [new SideFacts('s', 's', 'P1 front', 'pei_smooth', 200, 200, HoldDown::Clips)],
                [new AgentFacts('pva_stick', 'Stick')],
                new Experience([]),
            )->candidates,
        );
        self::assertSame([], $pass($catalogue));
        self::assertSame(['bare'], $pass($catalogue->with([$fact])), 'Not with the stick: of that nothing was said.');
        $this->expectException(BadCatalogue::class);
        $catalogue->check($fact, false);
    }

    private static function fact(string $material, string $surface, ?string $agent = null, ?Window $window = null, ?float $release = null): ShopFact
    {
        return new ShopFact(
            $material,
            $surface,
            $agent,
            $window,
            $release,
            AgentRole::Grip,
            Grade::Fair,
            Grade::Strong,
            false,
            'two batches in a row',
            'Tess',
            '2026-11-02',
        );
    }
}
