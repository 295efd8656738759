<?php

declare(strict_types=1);

namespace App\Choose;

use App\Shelf\Feeler;
use App\Shelf\ShopSettings;
use App\Test\StripData;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Detail\Batch;
use Sitzplatz\Choose\Detail\Batches;
use Sitzplatz\Choose\Detail\CandidateSums;
use Sitzplatz\Choose\Detail\Input;
use Sitzplatz\Choose\Detail\NextRungs;
use Sitzplatz\Choose\Detail\Reckoning;
use Sitzplatz\Choose\Detail\Why;
use Sitzplatz\Choose\Detail\WhyBar;
use Sitzplatz\Choose\Expectation\Expectation;
use Sitzplatz\Choose\Expectation\OwnRuns;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Proposal;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Order\Step;
use Sitzplatz\Choose\Request\FeelerFacts;
use Sitzplatz\Choose\Window\Dial;
use Sitzplatz\Choose\Window\SetupCheck;
use Sitzplatz\Words\Phrase;
use Sitzplatz\Words\Sentence;

/** A candidate as the API has it: in a row, and in full. */
final readonly class CandidateData
{
    public const BARE = 'bare';

    public function __construct(private OwnRunsRepository $ownRuns, private ShopSettings $settings, private EntityManagerInterface $entities)
    {
    }

    /** What a setup is asked for by; where any printer will do, the printer is part of it. */
    public static function key(Proposal $proposal, bool $anyPrinter): string
    {
        $way = $proposal->off ? '/off' : ($proposal->often ? '/often' : '');

        return $proposal->side->id.'/'.($proposal->agent->id ?? self::BARE).$way.($anyPrinter ? '@'.$proposal->job->printer->id : '');
    }

    /**
     * As a setup that may be tested though it is ruled out.
     *
     * @return array<string, mixed>|null
     */
    public function tried(Proposal $proposal, Question $question): ?array
    {
        return !SetupCheck::mayBeTried($proposal) ? null : [
            'printerId' => $proposal->job->printer->id,
            'plateSideId' => $proposal->side->id,
            'agentId' => null === $proposal->agent ? null : $question->stock[$proposal->agent->id]->id->toRfc4122(),
            'bedFirstC' => $proposal->target?->displayC,
        ];
    }

    /** @return array{chance: float, hold90: array{float, float}, release90: array{float, float}} */
    public function chances(Candidate $candidate): array
    {
        return [
            'chance' => $candidate->chance,
            'hold90' => $candidate->hold->interval()->toArray(),
            'release90' => $candidate->release->interval()->toArray(),
        ];
    }

    /** What stands beside the thing that is lacking: a surface is used bare or with an agent, an agent on a side. */
    public function beside(Candidate $candidate): Phrase
    {
        $proposal = $candidate->proposal;

        return '' === $proposal->side->label ? $proposal->agentName() : Sentence::of('lacking.on', side: $proposal->side->label);
    }

    /** @return array<string, mixed> */
    public function row(Candidate $candidate, Ranking $ranking, Question $question): array
    {
        $proposal = $candidate->proposal;
        $heat = $ranking->heat->of($proposal);

        return [
            'key' => self::key($candidate->proposal, $question->anyPrinter),
            'label' => $candidate->proposal->label(),
            'printerId' => $proposal->job->printer->id,
            'printerName' => $proposal->job->printer->name,
            'plateSideId' => $proposal->side->id,
            'sideLabel' => $proposal->side->label,
            'surfaceName' => $proposal->surface->name,
            'agentId' => null === $proposal->agent ? null : $question->stock[$proposal->agent->id]->id->toRfc4122(),
            'agentName' => $proposal->agent?->name,
            'role' => null === $proposal->agent ? null : $candidate->treatment->role->value,
            'strip' => StripData::of($proposal, $candidate->pairing, $candidate->target->at, $candidate->target->displayC),
            'dial' => self::dial($proposal, $candidate->target->displayC),
            'bedOff' => $proposal->off,
            'bedOtherC' => $proposal->bedOtherC,
            'bracket' => $ranking->bracketOf($candidate),
            'proven' => $candidate->proven && null === $candidate->provenUpToMinutes,
            'steps' => array_map(static fn (Step $step): array => [
                'id' => $step->id,
                'words' => $step->words,
                'holdWithout' => $step->without < 0 ? $candidate->holdWithout($step) : null,
            ], $proposal->steps()),
            'ownRuns' => array_map(static fn (OwnRuns $runs): array => [
                'at' => self::at($runs, $proposal),
                'held' => $runs->held,
                'failed' => $runs->runs - $runs->held,
                'stuck' => $runs->released - $runs->clean,
            ], array_values(array_filter(
                $question->experience->on($proposal->side, $proposal->agent?->id),
                static fn (OwnRuns $runs): bool => !$runs->under->forUse,
            ))),
            'known' => $candidate->known(),
            'estimate' => !$candidate->alike()->any(),
            'hold' => self::expectation($candidate->hold),
            'release' => self::expectation($candidate->release),
            'chance' => $candidate->chance,
            'leads' => $ranking->leadsBy($candidate),
            'finish' => $proposal->surface->finish,
            'foothold' => $proposal->foothold()->words(),
            'turnaroundMinutes' => $heat?->turnaroundMinutes(),
            'energyWh' => $heat?->energyWh($proposal->job->minutes),
            'costPerPrint' => $candidate->costPerPrint,
            'missed' => $candidate->missed,
        ];
    }

    /** @return array<string, mixed> */
    public function detail(Candidate $candidate, Ranking $ranking, Question $question): array
    {
        $proposal = $candidate->proposal;
        // Only the sum on warp asks for it, and that wants a part.
        $own = null === $proposal->job->part ? null : $this->ownRuns->strength($proposal->job->material->id, $proposal->surface->id, $proposal->agent?->id);
        $sums = CandidateSums::of($candidate, $ranking->heat, $own);
        $batches = Batches::of($candidate, $ranking->heat);

        return [
            'key' => self::key($candidate->proposal, $question->anyPrinter),
            'label' => $candidate->proposal->label(),
            'chance90' => $candidate->success()->interval()->toArray(),
            'reasons' => $candidate->notes(),
            'heeds' => $candidate->heeds(
                $this->ownRuns->lastGap($proposal->job->material->id, $proposal->job->printer->id, $proposal->side->id),
                array_map(static fn (Feeler $each): FeelerFacts => $each->facts(), $this->entities->getRepository(Feeler::class)->findBy(['retired' => false])),
            ),
            'cautions' => array_values(array_filter([...$candidate->cautions(), $sums->heater?->overload()])),
            'putOn' => $proposal->agent?->putOn,
            'cleaning' => $proposal->surface->cleaning,
            'setPoint' => self::dial($proposal, $candidate->target->displayC),
            'ladder' => array_map(
                static fn (array $each): array => ['rung' => $each['rung']->value, 'words' => $each['words'], 'chance' => $each['chance']],
                NextRungs::of($candidate, $ranking->candidates, $this->settings->ladder())->rungs,
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
            'why' => ['hold' => self::why($sums->whyHold), 'release' => self::why($sums->whyRelease)],
            'reckonings' => array_map(static fn (Reckoning $r): array => [
                'id' => $r->id,
                'title' => $r->title,
                'result' => $r->result,
                'formula' => $r->formula,
                'inputs' => array_map(static fn (Input $i): array => ['name' => $i->name, 'value' => $i->value, 'basis' => $i->basis], $r->inputs),
                'source' => $r->source,
            ], $sums->reckonings()),
            'schools' => CatalogueData::schools($question->catalogue->schoolsOn(
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

    /** @return array<string, mixed> */
    private static function why(Why $why): array
    {
        return [
            'chance' => $why->chance,
            'range90' => $why->interval->toArray(),
            'bars' => array_map(static fn (WhyBar $bar): array => [
                'id' => $bar->id,
                'name' => $bar->name,
                'says' => $bar->says,
                'basis' => $bar->basis,
                'from' => $bar->from,
                'to' => $bar->to,
                'range90' => [$bar->low, $bar->high],
            ], $why->bars),
        ];
    }

    /** @return array<string, mixed> */
    private static function expectation(Expectation $expectation): array
    {
        return [
            'grade' => $expectation->grade->value,
            'practice' => $expectation->grade->share(),
            'chance' => $expectation->chance,
            'range90' => $expectation->interval()->toArray(),
            'well' => $expectation->well,
            'runs' => $expectation->runs,
        ];
    }

    /** On the scale of the strip, which is that of the surface or of the exposure; runs were noted by the display. */
    private static function at(OwnRuns $runs, Proposal $proposal): float
    {
        return match (true) {
            null !== $runs->under->exposureS => $runs->under->exposureS,
            null === $runs->under->bedC => $proposal->job->roomC,
            default => $proposal->stack?->surfaceAt($runs->under->bedC, $proposal->job->airC()) ?? $runs->under->bedC,
        };
    }
}
