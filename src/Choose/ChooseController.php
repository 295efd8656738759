<?php

declare(strict_types=1);

namespace App\Choose;

use App\Keep\ProfileMatch;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Problem;
use App\Shelf\AgentStock;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateRepository;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Choose\Candidate;
use Sitzplatz\Choose\Expectation;
use Sitzplatz\Choose\Experience;
use Sitzplatz\Choose\JobRequest;
use Sitzplatz\Choose\OwnRuns;
use Sitzplatz\Choose\Ranking;
use Sitzplatz\Keep\Job;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Which of the shop's own plates and agents to use for a job. */
final readonly class ChooseController
{
    /** As many as somebody looks through; the rest is counted. */
    private const SHOWN = 40;
    private const REJECTIONS_SHOWN = 200;

    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private Catalogue $catalogue,
        private PlateRepository $plates,
        private OwnRunsRepository $ownRuns,
        private ProfileMatch $profiles,
    ) {
    }

    #[Route('/api/choose', name: 'choose', methods: ['POST'])]
    public function choose(Request $request): JsonResponse
    {
        $body = $this->contract->body($request);
        if (!isset($this->catalogue->materials[$body['materialId']])) {
            throw Problem::invalid('materialId', 'The catalogue has no such material: choose one from the list.');
        }
        $printer = $this->edit->reference(Printer::class, $body['printerId'], 'printerId');
        $lot = null === $body['lotId'] ? null : $this->edit->reference(Lot::class, $body['lotId'], 'lotId');
        if (null !== $lot && $lot->materialId !== $body['materialId']) {
            throw Problem::invalid('lotId', \sprintf('%s is a lot of another material: choose one that fits.', $lot->label));
        }
        $job = new JobRequest(
            $this->catalogue->material($body['materialId']),
            $printer->facts(),
            (float) $body['roomC'],
            $body['lotId'],
            $body['partCount'],
            Number::orNull($body['widthMm'] ?? null),
            Number::orNull($body['depthMm'] ?? null),
        );
        $sides = array_map(static fn (PlateSide $side) => $side->facts(), $this->plates->sidesInUse());
        $stock = [];
        foreach ($this->entities->getRepository(AgentStock::class)->findBy(['retired' => false], ['openedOn' => 'DESC']) as $agent) {
            $stock[$agent->kindId] ??= $agent->id->toRfc4122();
        }
        $experience = $this->ownRuns->experience($body['materialId']);
        $ranking = Ranking::of($this->catalogue, $job, $sides, array_keys($stock), $experience);

        return new JsonResponse([
            'profiles' => $this->profiles->forJob(
                $body['materialId'],
                new Job($body['lotId'], $body['printerId'], $job->roomC, $printer->enclosed, Number::orNull($body['jobMinutes'] ?? null), $job->partCount),
            ),
            'candidates' => array_map(static fn (Candidate $c): array => self::candidate($c, $stock, $experience), \array_slice($ranking->candidates, 0, self::SHOWN)),
            'candidateCount' => \count($ranking->candidates),
            'rejections' => \array_slice($ranking->rejectionsDrawnTogether(), 0, self::REJECTIONS_SHOWN),
            'rejectionCount' => \count($ranking->rejections),
        ]);
    }

    /**
     * @param array<string, string> $stock
     *
     * @return array<string, mixed>
     */
    private static function candidate(Candidate $candidate, array $stock, Experience $experience): array
    {
        $proposal = $candidate->proposal;

        return [
            'key' => $proposal->side->id.'/'.($proposal->agent->id ?? 'bare'),
            'label' => $candidate->label(),
            'plateSideId' => $proposal->side->id,
            'sideLabel' => $proposal->side->label,
            'surfaceName' => $proposal->surface->name,
            'agentId' => null === $proposal->agent ? null : $stock[$proposal->agent->id],
            'agentName' => $proposal->agent?->name,
            'role' => null === $proposal->agent ? null : $candidate->treatment->role->value,
            'strip' => StripData::of($proposal, $candidate->pairing, $candidate->targetC),
            'ownRuns' => array_map(static fn (OwnRuns $runs): array => [
                'atC' => $runs->bedC ?? $proposal->job->roomC,
                'held' => $runs->held,
                'failed' => $runs->runs - $runs->held,
                'stuck' => $runs->released - $runs->clean,
            ], $experience->on($proposal->side, $proposal->agent?->id)),
            'hold' => self::expectation($candidate->hold),
            'release' => self::expectation($candidate->release),
            'chance' => $candidate->chance,
            'releaseWay' => $candidate->pairing->releaseWay,
            'reasons' => $candidate->reasons(),
            'cautions' => $candidate->cautions(),
        ];
    }

    /** @return array<string, mixed> */
    private static function expectation(Expectation $expectation): array
    {
        return [
            'grade' => $expectation->grade->value,
            'mean' => $expectation->belief->mean(),
            'interval90' => $expectation->interval()->toArray(),
            'ownSuccesses' => $expectation->ownSuccesses,
            'ownRuns' => $expectation->ownRuns,
        ];
    }
}
