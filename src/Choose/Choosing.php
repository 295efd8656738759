<?php

declare(strict_types=1);

namespace App\Choose;

use App\Catalogue\ShopCatalogue;
use App\Keep\ProfileMatch;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Problem;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use App\Shelf\ShopSettings;
use App\Test\StripData;
use Psr\Clock\ClockInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Detail\Batch;
use Sitzplatz\Choose\Detail\Batches;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Detail\Input;
use Sitzplatz\Choose\Detail\NextRungs;
use Sitzplatz\Choose\Detail\Reckoning;
use Sitzplatz\Choose\Expectation\Evidence;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\Experience;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Order\Step;
use Sitzplatz\Choose\Request\Criterion;
use Sitzplatz\Choose\Request\FileFacts;
use Sitzplatz\Choose\Request\Finish;
use Sitzplatz\Choose\Request\Foothold;
use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\FootholdKind;
use Sitzplatz\Choose\Request\JobRequest;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Choose\Request\Wishes;
use Sitzplatz\Choose\Window\Dial;
use Sitzplatz\Keep\Job;

/** Ranks the shop's own plates and agents for a job, and reckons the candidate that is looked at. */
final readonly class Choosing
{
    /** As many as somebody looks through; the rest is counted. */
    public const SHOWN = 40;
    private const REJECTIONS_SHOWN = 200;
    private const BARE = 'bare';

    public function __construct(
        private StoredEdit $edit,
        private ShopCatalogue $shop,
        private SidesToday $sides,
        private AgentsOnShelf $agents,
        private OwnRunsRepository $ownRuns,
        private ProfileMatch $profiles,
        private ShopSettings $settings,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param array<string, mixed> $body a request that has passed the contract
     *
     * @return array<string, mixed>
     */
    public function answer(array $body): array
    {
        $catalogue = $this->shop->get();
        if (!isset($catalogue->materials[$body['materialId']])) {
            throw Problem::invalid('materialId', 'The catalogue has no such material: choose one from the list.');
        }
        $printer = $this->edit->reference(Printer::class, $body['printerId'], 'printerId');
        $job = $this->job($catalogue, $printer, $body);
        $sides = $this->sides->all($printer);
        $stock = $this->agents->byKind($body['agent'] ?? null);
        $profiles = $this->profiles->forJob(
            $body['materialId'],
            new Job($body['lotId'], $body['printerId'], $job->roomC, $printer->enclosed, $job->minutes, $job->partCount),
        );
        $experience = $this->ownRuns->experience($body['materialId'], $profiles['seats']);
        $agents = array_values(array_map(static fn (AgentStock $a) => $a->facts($catalogue), $stock));
        // With one agent only the bare ones are left out of what is shown: then all have to be in order.
        $ranking = Ranking::of($catalogue, $job, $sides, $agents, $experience, isset($body['agent']) ? null : self::SHOWN);
        $candidates = array_values(array_filter($ranking->candidates, static fn (Candidate $c): bool => self::wanted($body['agent'] ?? null, $c)));
        $shown = \array_slice($candidates, 0, self::SHOWN);
        $looked = $this->looked($shown, $body['lookAt'] ?? null);
        $advice = null === $job->part ? null : FootholdAdvice::for($job->part, $job->partCount, $looked?->proposal->surface, $job->material);

        return [
            'notes' => $job->notes(),
            'advice' => null === $advice ? null : [
                'foothold' => ['kind' => $advice->foothold->kind->value, 'mm' => $advice->foothold->mm],
                'sentence' => $advice->sentence,
                'gainedMm2' => $advice->gainedMm2,
            ],
            'profiles' => $profiles['shown'],
            'profileCount' => $profiles['count'],
            'candidates' => array_map(fn (Candidate $c): array => $this->row($c, $ranking, $stock, $experience), $shown),
            'candidateCount' => \count($candidates),
            'detail' => null === $looked ? null : $this->detail($looked, $ranking, $catalogue, $experience),
            'rejections' => \array_slice($ranking->rejectionsDrawnTogether(), 0, self::REJECTIONS_SHOWN),
            'rejectionCount' => \count($ranking->rejections),
        ];
    }

    /** @param array<string, mixed> $body */
    private function job(Catalogue $catalogue, Printer $printer, array $body): JobRequest
    {
        $lot = null === $body['lotId'] ? null : $this->edit->reference(Lot::class, $body['lotId'], 'lotId');
        if (null !== $lot && $lot->materialId !== $body['materialId']) {
            throw Problem::invalid('lotId', \sprintf('%s is a lot of another material: choose one that fits.', $lot->label));
        }
        $part = isset($body['part']) ? self::part($body['part']) : null;
        $foothold = isset($body['foothold']) ? new Foothold(FootholdKind::from($body['foothold']['kind']), (float) $body['foothold']['mm']) : null;
        $refusal = $foothold?->refusedBy($part);
        if (null !== $refusal) {
            throw Problem::invalid('foothold.kind', $refusal);
        }
        $lying = null === ($body['benchSideId'] ?? null) ? null : $this->edit->reference(PlateSide::class, $body['benchSideId'], 'benchSideId');
        $wishes = $body['wishes'] ?? [];

        return new JobRequest(
            $catalogue->material($body['materialId']),
            $printer->facts($catalogue),
            (float) $body['roomC'],
            $body['lotId'],
            $body['partCount'],
            Number::orNull($body['widthMm'] ?? null),
            Number::orNull($body['depthMm'] ?? null),
            Number::orNull($body['jobMinutes'] ?? null),
            $part,
            $foothold,
            Number::orNull($body['bedC'] ?? null),
            Number::orNull($body['nozzleC'] ?? null),
            null === $lot?->driedOn ? null : (int) $lot->driedOn->diff($this->clock->now())->days,
            $lying?->facts($catalogue),
            new Wishes(
                isset($wishes['finish']) ? Finish::from($wishes['finish']) : null,
                $wishes['exactHeight'] ?? false,
                $wishes['bareFirst'] ?? false,
                $wishes['lowEnergy'] ?? false,
                isset($wishes['order']) ? array_values(array_map(Criterion::from(...), $wishes['order'])) : null,
            ),
            Number::orNull($body['gapMm'] ?? null),
            new FileFacts(
                Number::orNull($body['file']['bedC'] ?? null),
                Number::orNull($body['file']['nozzleC'] ?? null),
                Number::orNull($body['file']['bedLaterC'] ?? null),
            ),
            $lot?->labelBedC,
            $this->ownRuns->lastGaps($body['materialId'], $body['printerId']),
        );
    }

    /** @param array<string, mixed> $body */
    private static function part(array $body): PartFacts
    {
        return new PartFacts(
            (float) $body['contactAreaMm2'],
            (float) $body['outlineMm'],
            (float) $body['spanMm'],
            (float) $body['barWidthMm'],
            (float) $body['heightMm'],
            $body['sharpCorners'] ?? 0,
            $body['thinEnds'] ?? 0,
            $body['islands'] ?? 1,
            (float) ($body['brimRounding'] ?? \M_PI),
            $body['articulated'] ?? false,
            (float) ($body['layerHeightMm'] ?? 0.2),
        );
    }

    private static function wanted(?string $agent, Candidate $candidate): bool
    {
        return null === $agent || (self::BARE === $agent ? null === $candidate->treatment->agentId : $agent === $candidate->treatment->agentId);
    }

    /** @param list<Candidate> $shown */
    private function looked(array $shown, ?string $key): ?Candidate
    {
        foreach ($shown as $candidate) {
            if (self::key($candidate) === $key) {
                return $candidate;
            }
        }

        return $shown[0] ?? null;
    }

    private static function key(Candidate $candidate): string
    {
        return $candidate->proposal->side->id.'/'.($candidate->proposal->agent->id ?? self::BARE).($candidate->proposal->off ? '/off' : '');
    }

    /**
     * @param array<string, AgentStock> $stock
     *
     * @return array<string, mixed>
     */
    private function row(Candidate $candidate, Ranking $ranking, array $stock, Experience $experience): array
    {
        $proposal = $candidate->proposal;
        $heat = $ranking->heat->of($proposal);

        return [
            'key' => self::key($candidate),
            'label' => $candidate->proposal->label(),
            'plateSideId' => $proposal->side->id,
            'sideLabel' => $proposal->side->label,
            'surfaceName' => $proposal->surface->name,
            'agentId' => null === $proposal->agent ? null : $stock[$proposal->agent->id]->id->toRfc4122(),
            'agentName' => $proposal->agent?->name,
            'role' => null === $proposal->agent ? null : $candidate->treatment->role->value,
            'strip' => StripData::of($proposal, $candidate->pairing, $candidate->target->at, $candidate->target->displayC),
            'dial' => self::dial($proposal, $candidate->target->displayC),
            'bedOff' => $proposal->off,
            'bedOtherC' => $proposal->bedOtherC,
            'bracket' => $ranking->bracketOf($candidate),
            'proven' => $candidate->proven,
            'steps' => array_map(static fn (Step $step): array => [
                'id' => $step->id,
                'words' => $step->words,
                'holdWithout' => $step->without < 0 ? $candidate->holdWithout($step) : null,
            ], $proposal->steps()),
            'ownRuns' => array_map(static fn (OwnRuns $runs): array => [
                // The scale is that of the surface; runs were noted by the display.
                'at' => null === $runs->bedC ? $proposal->job->roomC : ($proposal->stack?->surfaceAt($runs->bedC, $proposal->job->airC()) ?? $runs->bedC),
                'held' => $runs->held,
                'failed' => $runs->runs - $runs->held,
                'stuck' => $runs->released - $runs->clean,
            ], $experience->on($proposal->side, $proposal->agent?->id)),
            'hold' => self::expectation($candidate->hold),
            'release' => self::expectation($candidate->release),
            'chance' => $candidate->chance,
            'finish' => $proposal->surface->finish,
            'foothold' => $proposal->foothold()->words(),
            'turnaroundMinutes' => $heat?->turnaroundMinutes(),
            'energyWh' => $heat?->energyWh($proposal->job->minutes),
            'costPerPrint' => $candidate->costPerPrint,
            'missed' => $candidate->missed,
        ];
    }

    /** @return array<string, mixed> */
    private function detail(Candidate $candidate, Ranking $ranking, Catalogue $catalogue, Experience $experience): array
    {
        $proposal = $candidate->proposal;
        // Only the sum on warp asks for it, and that wants a part.
        $own = null === $proposal->job->part ? null : $this->ownRuns->strength($proposal->job->material->id, $proposal->surface->id, $proposal->agent?->id);
        $sums = CandidateSums::of($candidate, $ranking->heat, $own);
        $batches = Batches::of($candidate, $ranking->heat, $experience);

        return [
            'key' => self::key($candidate),
            'label' => $candidate->proposal->label(),
            'reasons' => $candidate->reasons(),
            'heeds' => $candidate->heeds(),
            'cautions' => array_values(array_filter([...$candidate->cautions(), $sums->heater?->overload()])),
            'putOn' => $proposal->agent?->putOn,
            'cleaning' => $proposal->surface->cleaning,
            'setPoint' => self::dial($proposal, $candidate->target->displayC),
            'ladder' => array_map(
                static fn (array $each): array => ['rung' => $each['rung']->value, 'words' => $each['words'], 'chance' => $each['chance']],
                NextRungs::of($candidate, $ranking->candidates, $this->settings->ladder(), $experience)->rungs,
            ),
            'batches' => null === $batches ? null : [
                'words' => $batches->words(),
                'rows' => array_map(static fn (Batch $each): array => [
                    'plates' => $each->plates,
                    'mostParts' => $each->mostParts,
                    'allGood' => $each->allGood,
                    'goodParts' => $each->goodParts,
                    'minutes' => $each->minutes,
                    'better' => $each === $batches->better,
                ], $batches->batches),
            ],
            'warp' => null === $sums->warp ? null : [
                'low' => $sums->warp->margin->low,
                'middle' => $sums->warp->margin->middle,
                'high' => $sums->warp->margin->high,
                'drivingK' => $sums->warp->drivingK,
                'expectedLiftMm' => $sums->warp->expectedLiftMm(),
                'sentence' => $sums->warp->sentence(),
            ],
            'release' => [
                'belowC' => $sums->release->belowC,
                'waits' => $sums->release->waits,
                'steps' => $sums->release->steps,
                'never' => $sums->release->never,
                'doneHot' => $sums->release->doneHot ?? '',
            ],
            'reckonings' => array_map(static fn (Reckoning $r): array => [
                'id' => $r->id,
                'title' => $r->title,
                'result' => $r->result,
                'formula' => $r->formula,
                'inputs' => array_map(static fn (Input $i): array => ['name' => $i->name, 'value' => $i->value, 'basis' => $i->basis], $r->inputs),
                'source' => $r->source,
            ], $sums->reckonings()),
            'schools' => CatalogueData::schools($catalogue->schoolsOn(
                $proposal->job->material->id,
                $proposal->surface->id,
                ...(null === $proposal->agent ? [] : [$proposal->agent->id]),
            )),
        ];
    }

    /** @return array<string, mixed>|null */
    private static function dial(Proposal $proposal, ?float $displayC): ?array
    {
        return null === $displayC ? null : Dial::at($displayC, $proposal->job->printer, $proposal->side, $proposal->job->airC())->toArray();
    }

    /**
     * Most candidates share the belief of their grade: each is reckoned once.
     *
     * @return array{float, float}
     */
    private static function interval(Expectation $expectation): array
    {
        static $known = [];

        return $known[$expectation->belief->a.'/'.$expectation->belief->b] ??= $expectation->interval()->toArray();
    }

    /** @return array<string, mixed> */
    private static function expectation(Expectation $expectation): array
    {
        return [
            'grade' => $expectation->grade->value,
            'prior' => $expectation->prior->mean(),
            'mean' => $expectation->belief->mean(),
            'interval90' => self::interval($expectation),
            'ownSuccesses' => $expectation->own()['successes'],
            'ownRuns' => $expectation->own()['runs'],
            'ownWorth' => $expectation->ownWorth(),
            'evidence' => array_map(
                static fn (Evidence $e): array => [
                    'likeness' => $e->likeness->words(),
                    'successes' => $e->successes,
                    'runs' => $e->runs,
                    'worth' => $e->worth(),
                ],
                $expectation->evidence,
            ),
        ];
    }
}
