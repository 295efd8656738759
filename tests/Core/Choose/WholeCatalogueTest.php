<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Choose;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sitzplatz\Catalogue\Surface;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\SideFacts;
use Sitzplatz\Tests\Core\Words\Said;

/** What has to be so for every material, on a shelf with a plate of every kind and every agent. */
final class WholeCatalogueTest extends TestCase
{
    use BuildsJobs;

    /** @return iterable<string, array{string}> */
    public static function materials(): iterable
    {
        foreach (self::catalogue()->materials as $id => $material) {
            yield $material->name->english => [(string) $id];
        }
    }

    #[DataProvider('materials')]
    public function testEveryWayIsRankedOrRuledOutWithASentence(string $material): void
    {
        $job = self::usual($material);
        $ranking = self::all($job);
        $sides = \count(self::shelf());
        $ways = $sides * (1 + \count(self::catalogue()->agents));
        $whole = \count(array_filter($ranking->rejections, static fn ($r): bool => $r->wholeSide));
        $heated = array_filter($ranking->candidates, static fn (Candidate $c): bool => !$c->proposal->off);
        self::assertSame($ways, \count($heated) + \count($ranking->rejections) + $whole * \count(self::catalogue()->agents));
        foreach ($ranking->rejections as $rejection) {
            self::assertNotNull($rejection->reason, Said::of($rejection->label()));
        }
        foreach ($ranking->candidates as $candidate) {
            self::assertGreaterThan(0, $candidate->chance);
            self::assertLessThan(1, $candidate->chance);
            foreach ([...$candidate->reasons(), ...$candidate->heeds(null), ...$candidate->cautions()] as $sentence) {
                self::assertNotSame('', Said::of($sentence));
            }
            self::assertSame(\count($candidate->reasons()), \count(array_unique(Said::all($candidate->reasons()))), 'Nothing is said twice.');
        }
    }

    #[DataProvider('materials')]
    public function testNoSetPointLeavesItsWindowOrPassesALimit(string $material): void
    {
        foreach ([8.0, 20.0, 32.0] as $room) {
            foreach (self::all(self::usual($material, ['roomC' => $room]))->candidates as $candidate) {
                $at = $candidate->target->at ?? $candidate->pairing->window->target;
                self::assertGreaterThanOrEqual($candidate->pairing->window->low - 0.5, $at, self::label($candidate));
                self::assertLessThanOrEqual($candidate->pairing->window->high, $at, self::label($candidate));
                foreach ($candidate->proposal->stops() as $stop) {
                    self::assertLessThanOrEqual(
                        $stop->atC,
                        $stop->onSurface ? $at : ($candidate->target->displayC ?? 0),
                        self::label($candidate).': '.$stop->kind,
                    );
                }
            }
        }
    }

    #[DataProvider('materials')]
    public function testMorePartsNeverHelpAndABrimNeverHarms(string $material): void
    {
        $none = ['part' => self::thinBar(), 'foothold' => Foothold::none()];
        $one = self::chances(self::all(self::usual($material, $none)));
        $nine = self::chances(self::all(self::usual($material, ['partCount' => 9, ...$none])));
        $brim = self::chances(self::all(self::usual($material, ['part' => self::thinBar(), 'foothold' => new Foothold(FootholdKind::Brim, 4)])));
        self::assertSame(array_keys($one), array_keys($nine));
        foreach ($one as $label => $chance) {
            self::assertLessThan($chance, $nine[$label], $label);
            self::assertGreaterThanOrEqual($chance, $brim[$label], $label);
        }
    }

    #[DataProvider('materials')]
    public function testASuccessRaisesAndAFailureLowersWhatIsExpected(string $material): void
    {
        $before = self::all(self::usual($material));
        if ([] === $before->candidates) {
            // Out of reach of this printer, and said so.
            self::assertNotSame([], $before->rejections);

            return;
        }
        foreach (\array_slice($before->candidates, 0, 5) as $candidate) {
            $runs = static fn (int $good): array => [RunsMade::of(
                $candidate->proposal->side->id,
                $candidate->proposal->surface->id,
                $candidate->treatment->agentId,
                $candidate->target->displayC,
                1,
                $good,
                1,
                $good,
                exposureS: $candidate->proposal->job->material->filament ? null : $candidate->target->at,
            )];
            $after = static fn (int $good): float => self::chances(self::all(self::usual($material), $runs($good)))[self::label($candidate)];
            self::assertGreaterThan($candidate->chance, $after(1), self::label($candidate));
            self::assertLessThan($candidate->chance, $after(0), self::label($candidate));
        }
    }

    #[DataProvider('materials')]
    public function testTheFirstCanBeReckonedToTheEnd(string $material): void
    {
        $ranking = self::all(self::usual($material, ['part' => self::thinBar()]));
        foreach (\array_slice($ranking->candidates, 0, 3) as $candidate) {
            $sums = CandidateSums::of($candidate, $ranking->heat, null);
            foreach ($sums->reckonings() as $reckoning) {
                self::assertDoesNotMatchRegularExpression(
                    '/NAN|INF|sum.times.cannot/i',
                    Said::of($reckoning->result),
                    self::label($candidate).': '.$reckoning->id,
                );
            }
            self::assertNotSame([], $sums->release->steps);
            if (null !== $sums->warp) {
                self::assertLessThanOrEqual($sums->warp->margin->middle, $sums->warp->margin->low);
                self::assertGreaterThanOrEqual($sums->warp->margin->middle, $sums->warp->margin->high);
            }
        }
        self::assertGreaterThan(0, \count($ranking->candidates) + \count($ranking->rejections));
    }

    /**
     * A printer that is hot enough for all of them.
     *
     * @param array<string, mixed> $change
     */
    private static function usual(string $material, array $change = []): JobRequest
    {
        $resin = !self::catalogue()->material($material)->filament;

        return self::job(
            $material,
            $change + ($resin ? ['printer' => self::printer(['filament' => false, 'maxBedC' => null, 'maxNozzleC' => 0.0])] : ['printer' => self::printer([
                'maxBedC' => 170.0,
                'maxNozzleC' => 450.0,
                'heaterW' => 900.0,
            ])]),
        );
    }

    /** @param list<OwnRuns> $runs */
    private static function all(JobRequest $job, array $runs = []): Ranking
    {
        return self::rank($job, self::shelf(), array_map(strval(...), array_keys(self::catalogue()->agents)), $runs);
    }

    /** @return list<SideFacts> */
    private static function shelf(): array
    {
        return array_values(array_map(static fn (Surface $s): SideFacts => self::side($s->id, 'P-'.$s->id), self::catalogue()->surfaces));
    }

    /** @return array<string, float> by label */
    private static function chances(Ranking $ranking): array
    {
        $chances = [];
        foreach ($ranking->candidates as $candidate) {
            $chances[self::label($candidate)] = $candidate->chance;
        }
        ksort($chances);

        return $chances;
    }

    private static function label(Candidate $candidate): string
    {
        return $candidate->proposal->side->label.', '.($candidate->proposal->agent->id ?? 'bare').($candidate->proposal->off ? ', off' : '');
    }
}
