<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Gate\Rejection;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\AgentFacts;
use Sitzplatz\Choose\Request\HoldDown;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PrinterFacts;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Tests\Core\ReadsTheCatalogue;

/** Which of several plates a seasoned technician takes first; every row is common practice (trade notes, sections 2 to 5). */
final class FirstChoiceTest extends TestCase
{
    use ReadsTheCatalogue;

    private const ALL = ['pei_textured', 'pei_smooth', 'glass', 'epoxy_glass', 'polyester_high_hold', 'low_temp_matte'];

    /** @return iterable<string, array{string, list<string>, list<string>, string}> material, surfaces, agents, first label */
    public static function choices(): iterable
    {
        yield 'nylon: laminate before anything' => ['pa', self::ALL, ['pva_stick', 'spray_film', 'polymer_adhesive'], 'epoxy_glass, bare'];
        yield 'nylon without laminate: the adhesive' => [
            'pa',
            ['pei_textured', 'pei_smooth', 'glass'],
            ['pva_stick', 'polymer_adhesive'],
            'glass, engineered polymer adhesive',
        ];
        yield 'nylon with a stick only' => ['pa', ['pei_textured', 'glass'], ['pva_stick'], 'glass, PVA stick'];
        yield 'PLA: the cool plate saves heat' => ['pla', self::ALL, ['pva_stick'], 'low_temp_matte, bare'];
        yield 'PLA without the cool plate: textured, least heat' => ['pla', ['pei_textured', 'pei_smooth', 'epoxy_glass'], ['pva_stick'], 'pei_textured, bare'];
        yield 'PLA on glass: the stick before bare' => ['pla', ['glass'], ['pva_stick'], 'glass, PVA stick'];
        yield 'PLA on high-hold film: only with the stick' => ['pla', ['polyester_high_hold'], ['pva_stick'], 'polyester_high_hold, PVA stick'];
        yield 'PETG: the cool plate lets go best' => ['petg', self::ALL, ['pva_stick', 'spray_film'], 'low_temp_matte, bare'];
        yield 'PETG on smooth PEI: the stick as barrier' => ['petg', ['pei_smooth'], ['pva_stick', 'spray_film', 'polymer_adhesive'], 'pei_smooth, PVA stick'];
        yield 'PETG on glass: a film' => ['petg', ['glass'], ['spray_film'], 'glass, spray film'];
        yield 'PETG: the barrier on smooth PEI before bare texture' => ['petg', ['pei_textured', 'pei_smooth'], ['pva_stick'], 'pei_smooth, PVA stick'];
        yield 'ABS: PEI bare' => ['abs', self::ALL, ['pva_stick', 'polymer_adhesive'], 'pei_textured, bare'];
        yield 'ABS on glass: the adhesive before the stick' => ['abs', ['glass'], ['pva_stick', 'polymer_adhesive'], 'glass, engineered polymer adhesive'];
        yield 'ASA as ABS' => ['asa', ['pei_textured', 'glass'], ['pva_stick'], 'pei_textured, bare'];
        yield 'TPU on smooth PEI: the stick' => ['tpu', ['pei_smooth'], ['pva_stick', 'spray_film'], 'pei_smooth, PVA stick'];
        yield 'TPU on texture: the stick lets it go' => ['tpu', ['pei_textured'], ['pva_stick'], 'pei_textured, PVA stick'];
    }

    /**
     * @param list<string> $surfaces
     * @param list<string> $agents
     */
    #[DataProvider('choices')]
    public function testFirst(string $material, array $surfaces, array $agents, string $first): void
    {
        $ranking = self::rank($material, $surfaces, $agents);
        self::assertNotSame([], $ranking->candidates);
        self::assertSame($first, self::label($ranking->candidates[0]));
        $sidesOut = \count(array_filter($ranking->rejections, static fn (Rejection $r): bool => $r->wholeSide));
        self::assertSame(
            \count($surfaces) * (1 + \count($agents)),
            \count(array_filter($ranking->candidates, static fn (Candidate $c): bool => !$c->proposal->off))
                + \count($ranking->rejections) + $sidesOut * \count($agents),
            'Everything is either ranked or ruled out.',
        );
        foreach ($ranking->candidates as $i => $candidate) {
            self::assertGreaterThanOrEqual($candidate->pairing->window->low, $candidate->target->at ?? $candidate->pairing->window->low);
            self::assertLessThanOrEqual($candidate->pairing->window->high, $candidate->target->at);
            self::assertLessThanOrEqual($candidate->proposal->stops()[0]->atC, $candidate->target->at, 'Never past a stop.');
            if ($i > 0) {
                self::assertGreaterThan($candidate->chance - 0.0501, $ranking->candidates[$i - 1]->chance, 'Not far behind the next.');
            }
        }
        foreach ($ranking->rejections as $rejection) {
            self::assertNotNull($rejection->reason);
        }
    }

    /** @return iterable<string, array{string, string, ?string, int, int, int, int, bool}> */
    public static function experiences(): iterable
    {
        // material, surface, agent; own runs: runs, held, released, clean; whether it stays ahead of an untried strong setup
        yield 'twelve clean runs' => ['pla', 'pei_textured', null, 12, 12, 6, 6, true];
        yield 'one early failure' => ['pla', 'pei_textured', null, 3, 2, 3, 3, false];
        yield 'held, but stuck half the time' => ['pla', 'pei_textured', null, 12, 12, 6, 3, false];
        yield 'never held here' => ['pla', 'pei_textured', null, 8, 0, 0, 0, false];
        yield 'a stick that practice doubts, proven here' => ['pla', 'pei_textured', 'pva_stick', 200, 200, 100, 100, true];
    }

    #[DataProvider('experiences')]
    public function testOwnRunsDecideAgainstPractice(
        string $material,
        string $surface,
        ?string $agent,
        int $runs,
        int $held,
        int $released,
        int $clean,
        bool $ahead,
    ): void {
        $own = RunsMade::of($surface, $surface, $agent, 55, $runs, $held, $released, $clean);
        $candidates = self::rank($material, [$surface, 'epoxy_glass'], null === $agent ? [] : [$agent], [$own])->candidates;
        $labels = array_map(self::label(...), $candidates);
        $mine = array_search($surface.', '.(null === $agent ? 'bare' : self::catalogue()->agent($agent)->name->english), $labels, true);
        $other = array_search('epoxy_glass, bare', $labels, true);
        self::assertIsInt($mine);
        self::assertIsInt($other);
        self::assertSame($ahead, $candidates[$mine]->chance > $candidates[$other]->chance);
    }

    /**
     * @param list<string>  $surfaces
     * @param list<string>  $agents
     * @param list<OwnRuns> $runs
     */
    private static function rank(string $material, array $surfaces, array $agents, array $runs = []): Ranking
    {
        $sides = array_map(static fn (string $surface): SideFacts => new SideFacts($surface, $surface, $surface, $surface, 250, 210, HoldDown::Magnet), $surfaces);
        $printer = new PrinterFacts('p', 'North bay', true, 250, 210, 120, 300, true, 120);

        $job = new JobRequest(self::catalogue()->material($material), $printer, 20, 'lot');

        return Ranking::of(
            self::catalogue(),
            $job,
            $sides,
            array_map(static fn (string $kind): AgentFacts => new AgentFacts($kind, $kind), $agents),
            RunsMade::experience(self::catalogue(), $job, $runs),
        );
    }

    private static function label(Candidate $candidate): string
    {
        return $candidate->proposal->side->label.', '.($candidate->proposal->agent->name->english ?? 'bare').($candidate->proposal->off ? ', off' : '');
    }
}
