<?php

declare(strict_types=1);

namespace App\Keep;

use App\Catalogue\ShopCatalogue;
use App\Evidence\EvidenceRepository;
use App\Evidence\PrinterChanges;
use App\Platform\Http\Problem;
use App\Platform\Words\Wording;
use App\Test\AlsoPrinted;
use App\Test\Setup;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Detail\ReleasePlan;
use Sitzplatz\CoreVersion;
use Sitzplatz\Evidence\EvidenceRun;
use Sitzplatz\Judge\MeasureSummary;
use Sitzplatz\Judge\SetupRecord;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\Assessment;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Test\Measure;
use Sitzplatz\Words\CatalogueText;
use Sitzplatz\Words\Sentence;

/** Assesses the evidence of a setup and writes the document of a profile from it. */
final readonly class Proposal
{
    public function __construct(private EvidenceRepository $evidence, private PrinterChanges $changes, private ShopCatalogue $shop, private Wording $wording)
    {
    }

    public function assess(Setup $setup, AcceptancePlan $plan, ScopeClaim $claim): Assessment
    {
        return $this->assessRuns($this->evidence->runs($setup, $claim->anyLot, $claim->anyPlate), $setup, $plan, $claim);
    }

    /**
     * The same of the runs that a profile names, and of no others; what happened to the printer since is no matter of theirs.
     *
     * @param list<string> $runIds void ones among them
     *
     * @return list<Sentence> what they do not show
     */
    public function recount(Setup $setup, AcceptancePlan $plan, ScopeClaim $claim, array $runIds): array
    {
        $named = array_flip($runIds);
        $runs = array_filter($this->evidence->runs($setup, $claim->anyLot, $claim->anyPlate), static fn (EvidenceRun $run): bool => isset($named[$run->id]));

        return $this->assessRuns(array_values($runs), $setup, $plan, $claim, false)->missing;
    }

    public function propose(Setup $setup, AcceptancePlan $plan, ScopeClaim $claim, string $title): Proposed
    {
        $runs = $this->evidence->runs($setup, $claim->anyLot, $claim->anyPlate);
        $assessment = $this->assessRuns($runs, $setup, $plan, $claim);
        $comparison = $setup->comparison;
        $catalogue = $this->shop->get();
        $material = $catalogue->material($setup->materialId);
        if ($setup->takenHot) {
            throw Problem::invalid('setupId', Sentence::of('keep.taken_hot'));
        }
        $surface = $catalogue->surface($setup->fitting->surfaceId);
        $pairing = $catalogue->pairing($material->id, $surface->id);
        $agent = null === $setup->agent ? null : $catalogue->agent($setup->agent->kindId);
        $proven = $assessment->proven;
        $counted = array_values(array_filter($runs, static fn (EvidenceRun $run): bool => \in_array($run->id, $assessment->countedRuns, true)));
        $record = new SetupRecord('', array_map(static fn (EvidenceRun $run): array => $run->readings, $counted));

        $document = $this->wording->record([
            'format' => 'sitzplatz-profile',
            'formatVersion' => 2,
            'title' => $title,
            'scope' => [
                'materialId' => $material->id,
                'materialName' => $material->name,
                'anyLot' => $claim->anyLot,
                'lotLabel' => $claim->anyLot ? null : $setup->lot->label,
                'anyPlate' => $claim->anyPlate,
                'sideLabel' => $claim->anyPlate ? null : $setup->side->label(),
                'surfaceId' => $surface->id,
                'surfaceName' => $surface->name,
                'printerName' => $comparison->printer->name,
                'roomLowC' => $proven->roomLowC ?? $comparison->roomC,
                'roomHighC' => $proven->roomHighC ?? $comparison->roomC,
                'enclosureNeeded' => $proven->enclosed ?? $comparison->printer->enclosed,
                'longestJobMinutes' => $proven?->longestJobMinutes,
                'mostParts' => $proven->mostParts ?? 0,
                ...('' === $comparison->alsoMaterials ? [] : self::also($comparison->alsoMaterials, $catalogue)),
            ],
            'setting' => [
                'bedFirstC' => $setup->bedFirstC,
                'bedOtherC' => $setup->bedOtherC,
                ...($material->filament ? [] : [
                    'exposureS' => $setup->exposureS,
                    'windowLowS' => $pairing?->window->low,
                    'windowHighS' => $pairing?->window->high,
                ]),
                'nozzleFirstC' => $material->filament ? $setup->nozzleFirstC : null,
                'nozzleMm' => $comparison->nozzleMm,
                'gapMm' => $setup->gapMm,
                'feeler' => $comparison->feeler,
                'agentId' => $agent?->id,
                'agentName' => $setup->agent?->name,
                'windowLowC' => $material->filament ? $pairing?->window->low : null,
                'windowHighC' => $material->filament ? $pairing?->window->high : null,
            ],
            'preparation' => array_values(array_filter([
                $surface->cleaning,
                null === $agent ? null : Sentence::of('keep.put_on', agent: $setup->agent->name ?? $agent->name, how: $agent->putOn),
            ])),
            'release' => ['belowC' => $material->filament ? $pairing?->releaseWithC($agent) : null, 'way' => null === $pairing
                ? Sentence::of('keep.let_it_cool')
                : ReleasePlan::way($pairing, $surface, $setup->side->facts($catalogue)->build($surface))],
            'cautions' => self::unlike([...($pairing->cautions ?? []), ...$surface->cautions, ...(null === $agent?->hazard ? [] : [$agent->hazard])]),
            'evidence' => [
                'plan' => [
                    'reliability' => $plan->reliability,
                    'confidence' => $plan->confidence,
                    'failuresAllowed' => $plan->failuresAllowed,
                ],
                'runsNeeded' => $assessment->runsNeeded,
                'runs' => \count($assessment->countedRuns),
                'failures' => $assessment->failures,
                'incomplete' => $assessment->incomplete,
                'voids' => \count($assessment->voidRuns),
                'voidsAlone' => $assessment->voidsAlone,
                'simulated' => array_sum(array_map(static fn (EvidenceRun $run): int => $run->simulated, $counted)),
                'lots' => $proven->lots ?? 0,
                'plates' => $proven->plates ?? 0,
                'hotPull' => self::pull($record, Measure::PullHot),
                'coldPull' => self::pull($record, Measure::PullCold),
                'limits' => $comparison->limits,
                'proof' => $comparison->proof,
                'testPiece' => $comparison->constants['piece'],
                'gcodeName' => $comparison->constants['gcodeName'],
                'runIds' => $assessment->countedRuns,
                'voidRunIds' => $assessment->voidRuns,
                'catalogueDigest' => $catalogue->digest,
                'coreVersion' => CoreVersion::NUMBER,
            ],
        ]);
        $until = $assessment->evidenceUntil;

        return new Proposed($document, null === $until ? null : (\DateTimeImmutable::createFromFormat('U.u', \sprintf('%.6F', $until)) ?: null));
    }

    /** @return array{alsoMaterialIds: list<string>, alsoMaterialNames: list<CatalogueText>} */
    private static function also(string $word, Catalogue $catalogue): array
    {
        $ids = AlsoPrinted::ids($word);

        return ['alsoMaterialIds' => $ids, 'alsoMaterialNames' => array_map(static fn (string $id): CatalogueText => $catalogue->material($id)->name, $ids)];
    }

    /** @param list<EvidenceRun> $runs */
    private function assessRuns(array $runs, Setup $setup, AcceptancePlan $plan, ScopeClaim $claim, bool $sinceChanges = true): Assessment
    {
        $own = $setup->id->toRfc4122();
        $others = array_diff(array_unique(array_map(static fn (EvidenceRun $run): string => $run->setupId, $runs)), [$own]);

        return Assessment::of(
            $runs,
            $plan,
            $setup->comparison->plan(),
            $claim,
            $sinceChanges ? $this->changes->of($setup->comparison->printer->id->toRfc4122()) : [],
            $own,
            $this->evidence->plans(array_values($others)),
        );
    }

    /**
     * @param list<CatalogueText> $texts
     *
     * @return list<CatalogueText> each text once
     */
    private static function unlike(array $texts): array
    {
        $unlike = [];
        foreach ($texts as $text) {
            $unlike[$text->english] ??= $text;
        }

        return array_values($unlike);
    }

    /** @return array{n: int, nAtLeast: int, meanN: ?float, sdN: ?float} */
    private static function pull(SetupRecord $record, Measure $measure): array
    {
        $summary = MeasureSummary::of($record, $measure);

        return ['n' => $summary->n, 'nAtLeast' => $summary->nAtLeast, 'meanN' => $summary->mean, 'sdN' => $summary->sd];
    }
}
