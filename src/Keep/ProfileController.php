<?php

declare(strict_types=1);

namespace App\Keep;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\StoredId;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Platform\Words\Recorded;
use App\Shelf\Printer;
use App\Test\Comparison;
use App\Test\Setup;
use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\Assessment;
use Sitzplatz\Keep\Doubt;
use Sitzplatz\Keep\Drift;
use Sitzplatz\Keep\DriftChart;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Profiles: proposed from evidence, signed by a lead, withdrawn, exported and imported. */
final readonly class ProfileController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private Proposal $proposal,
        private ProfileList $list,
        private ProfileDoubts $doubts,
        private ProfileDial $dials,
        private PrintsSince $seen,
        private ProfileSchema $schema,
        private ShopCatalogue $shop,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/profiles', name: 'listProfiles', methods: ['GET'])]
    public function list(Request $request): Answer
    {
        $query = $request->query;
        $only = [];
        foreach (['materialId', 'printerId', 'sideId', 'status'] as $name) {
            $only[$name] = $query->getString($name);
        }

        return new Answer(array_map($this->row(...), $this->list->page($query->getString('find'), $query->getString('after'), $only)));
    }

    #[Route('/api/profiles/{id}', name: 'getProfile', methods: ['GET'])]
    public function get(string $id): Answer
    {
        return new Answer($this->shown($this->edit->find(Profile::class, $id)));
    }

    #[Route('/api/profiles/assess', name: 'assessEvidence', methods: ['POST'], priority: 1)]
    public function assess(Request $request): Answer
    {
        $body = $this->contract->body($request);

        $setup = $this->edit->reference(Setup::class, $body['setupId'], 'setupId');

        return new Answer([
            ...self::assessment($this->proposal->assess($setup, self::plan($body['plan']), self::claim($body)), $setup->comparison),
            'revises' => array_map(static fn (Profile $profile): array => [
                'series' => $profile->series->toRfc4122(),
                'revision' => $profile->revision,
                'title' => $profile->title,
            ], $this->revisable($setup)),
        ]);
    }

    #[Route('/api/profiles', name: 'proposeProfile', methods: ['POST'])]
    public function propose(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$profile, $new] = $this->creation->create(Profile::class, $body, function (Uuid $id) use ($body): Profile {
            $setup = $this->edit->reference(Setup::class, $body['setupId'], 'setupId');
            $comparison = $setup->comparison;
            $proposed = $this->proposal->propose($setup, self::plan($body['plan']), self::claim($body), $body['title']);
            $document = $proposed->document;
            // What is looked up later to assess the evidence again, when it is signed.
            $document['origin'] = ['setupId' => $setup->id->toRfc4122()];
            $series = isset($body['series']) ? $this->series($body['series'], $setup) : $id;
            $profile = new Profile(
                $id,
                $this->now->time(),
                $series,
                $this->nextRevision($series),
                $body['title'],
                $setup->materialId,
                $comparison->printer,
                $body['anyPlate'] ? null : $setup->side,
                $body['anyLot'] ? null : $setup->lot,
                $document,
                false,
                $this->current->get()->displayName,
                $this->current->get()->id,
            );
            $profile->fitting = $body['anyPlate'] ? null : $setup->fitting;
            $profile->evidenceUntil = $proposed->evidenceUntil;
            $profile->reviewBy = new \DateTimeImmutable($body['reviewBy']);
            $this->audit->note('profile proposed', $id, ['title' => $body['title']]);

            return $profile;
        });

        return new Answer($this->shown($profile), $new ? 201 : 200);
    }

    #[Route('/api/profiles/{id}/sign', name: 'signProfile', methods: ['POST'])]
    public function sign(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $lead = $this->current->leadSigning($body['password']);
        unset($body['password']);
        $profile = $this->edit->save(Profile::class, $id, $body, function (Profile $profile) use ($body, $lead): void {
            // Of one series only one revision is signed, also where two leads sign at once.
            $series = $this->lockedSeries($profile);
            if (Profile::UNSIGNED !== $profile->status) {
                throw Problem::invalid('', 'This revision is signed or withdrawn already. Propose a new one.', 409);
            }
            $missing = $this->missing($profile);
            if ($body['trial']) {
                if (mb_strlen(trim($body['reason'])) < 10) {
                    throw Problem::invalid('reason', 'Write why this is tried although the evidence does not carry it (10 characters or more).');
                }
                $profile->status = Profile::TRIAL;
                $profile->trialReason = trim($body['reason']);
            } elseif ([] !== $missing) {
                throw Problem::faults(array_map(static fn (Sentence $sentence): array => ['field' => 'evidence', 'message' => $sentence], $missing));
            } else {
                $profile->status = Profile::VALIDATED;
            }
            $profile->signedBy = $lead->displayName;
            $profile->signedById = $lead->id;
            $profile->signedAt = $this->now->time();
            $profile->signedDigest = $profile->digest();
            $this->supersede($profile, $series);
            $this->audit->note('profile signed', $profile->id, ['status' => $profile->status, 'reason' => $profile->trialReason]);
        });

        return new Answer($this->shown($profile));
    }

    #[Route('/api/profiles/{id}/withdraw', name: 'withdrawProfile', methods: ['POST'])]
    public function withdraw(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $lead = $this->current->leadSigning($body['password']);
        unset($body['password']);
        $profile = $this->edit->save(Profile::class, $id, $body, function (Profile $profile) use ($body, $lead): void {
            if (Profile::WITHDRAWN === $profile->status) {
                throw Problem::invalid('', 'This profile is withdrawn already.', 409);
            }
            $profile->status = Profile::WITHDRAWN;
            $profile->withdrawnReason = $body['reason'];
            $this->audit->note('profile withdrawn', $profile->id, ['by' => $lead->displayName, 'reason' => $body['reason']]);
        });

        return new Answer($this->shown($profile));
    }

    #[Route('/api/profiles/{id}/assessment', name: 'getAssessment', methods: ['GET'])]
    public function reassess(string $id): Answer
    {
        return new Answer(['missing' => $this->missing($this->edit->find(Profile::class, $id))]);
    }

    #[Route('/api/profiles/{id}/export', name: 'exportProfile', methods: ['GET'])]
    public function export(string $id): Response
    {
        $profile = $this->edit->find(Profile::class, $id);
        $document = $profile->document;
        unset($document['origin']);
        $document['revision'] = $profile->revision;
        $document['signature'] = null === $profile->signedBy ? null : [
            'status' => $profile->status,
            'by' => $profile->signedBy,
            'at' => $profile->signedAt?->format(\DATE_ATOM),
            'trialReason' => $profile->trialReason,
        ];
        $json = json_encode($document, \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_THROW_ON_ERROR);

        return new Response($json."\n", 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => \sprintf('attachment; filename="profile-%s-r%d.json"', substr($profile->series->toRfc4122(), -8), $profile->revision),
        ]);
    }

    #[Route('/api/profiles/import', name: 'importProfile', methods: ['POST'], priority: 1)]
    public function import(Request $request): Answer
    {
        $body = $this->contract->body($request);
        $document = $body['document'];
        $faults = $this->schema->faults($document);
        if ([] !== $faults) {
            throw Problem::faults($faults);
        }
        if (!isset($this->shop->get()->materials[$document['scope']['materialId']])) {
            throw Problem::invalid('document.scope.materialId', 'The catalogue here has no such material.');
        }
        [$profile, $new] = $this->creation->create(Profile::class, $body, function (Uuid $id) use ($document): Profile {
            unset($document['signature'], $document['revision']);
            $document = self::inFormatTwo($document);
            $this->audit->note('profile imported', $id, ['title' => $document['title']]);

            return new Profile(
                $id,
                $this->now->time(),
                $id,
                1,
                $document['title'],
                $document['scope']['materialId'],
                $this->entities->getRepository(Printer::class)->findOneBy(['name' => $document['scope']['printerName']]),
                null,
                null,
                $document,
                true,
                $this->current->get()->displayName,
                $this->current->get()->id,
            );
        });

        return new Answer($this->shown($profile), $new ? 201 : 200);
    }

    /** @param array{reliability: int|float, confidence: int|float, failuresAllowed: int} $plan */
    private static function plan(array $plan): AcceptancePlan
    {
        return new AcceptancePlan((float) $plan['reliability'], (float) $plan['confidence'], $plan['failuresAllowed']);
    }

    /** @param array<string, mixed> $claim a request or a document with its reach */
    private static function claim(array $claim): ScopeClaim
    {
        return new ScopeClaim($claim['anyLot'], $claim['anyPlate']);
    }

    /** @return list<Sentence> what keeps a lead from signing it as validated, as the evidence stands now */
    private function missing(Profile $profile): array
    {
        if ($profile->imported) {
            return [Sentence::of('keep.imported')];
        }
        /** @var array<string, mixed> $document */
        $document = $profile->document;
        $setup = $this->edit->reference(Setup::class, $document['origin']['setupId'], 'origin');
        $missing = $this->proposal->assess($setup, self::plan($document['evidence']['plan']), self::claim($document['scope']))->missing;

        // What would put it in question as soon as it is signed keeps it from being signed.
        return [...$missing, ...array_map(static fn (Doubt $doubt): Sentence => $doubt->reason, $this->doubts->of($profile))];
    }

    /**
     * Of version 1 the gap was a text.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function inFormatTwo(array $document): array
    {
        $setting = $document['setting'];
        $setting += ['feeler' => $setting['firstLayerGap'] ?? '', 'gapMm' => null];
        unset($setting['firstLayerGap']);
        $document['setting'] = $setting;
        $document['evidence'] += ['incomplete' => 0, 'voidsAlone' => 0];
        $document['formatVersion'] = 2;

        return $document;
    }

    /** @return list<Profile> all revisions of a series, kept from others until the transaction ends */
    private function lockedSeries(Profile $profile): array
    {
        $this->database->executeQuery('SELECT id FROM profile WHERE series = ? ORDER BY revision FOR UPDATE', [$profile->series->toBinary()]);

        return array_values($this->entities->getRepository(Profile::class)->findBy(['series' => $profile->series], ['revision' => 'ASC']));
    }

    /**
     * A newly signed revision takes the place of the earlier ones of its series.
     *
     * @param list<Profile> $series
     */
    private function supersede(Profile $signed, array $series): void
    {
        foreach ($series as $other) {
            if ($other === $signed || !\in_array($other->status, [Profile::VALIDATED, Profile::TRIAL], true)) {
                continue;
            }
            if ($other->revision > $signed->revision) {
                throw Problem::invalid('', \sprintf('Revision %d of this profile is signed already: this one is older.', $other->revision), 409);
            }
            $other->status = Profile::WITHDRAWN;
            $other->withdrawnReason = \sprintf('Replaced by revision %d.', $signed->revision);
            ++$other->version;
        }
    }

    /** @return array<string, mixed> */
    private function shown(Profile $profile): array
    {
        [$seen, $drift] = $this->seen->of($profile);

        return [
            ...$profile->toArray(),
            'dial' => $this->dials->of($profile),
            'doubts' => self::doubted($profile->status, fn (): array => $this->doubts->of($profile)),
            'confirm' => $this->confirm($profile),
            'seen' => $seen?->sentence,
            'differs' => $this->differs($profile),
            'drift' => self::drift($drift),
        ];
    }

    /** @return array{revision: int, sentences: list<Sentence>}|null against the revision before; null: there is none */
    private function differs(Profile $profile): ?array
    {
        $before = $profile->revision < 2 ? null : $this->entities->getRepository(Profile::class)->findOneBy([
            'series' => $profile->series,
            'revision' => $profile->revision - 1,
        ]);

        return null === $before ? null : ['revision' => $before->revision, 'sentences' => $profile->facts()->differences($before->facts())];
    }

    /** @return array<string, mixed>|null */
    private static function drift(?Drift $drift): ?array
    {
        return null === $drift ? null : [
            'sentence' => $drift->sentence,
            'drifted' => $drift->kind?->value,
            'limit' => Drift::LIMIT,
            'charts' => array_map(static fn (DriftChart $chart): array => [
                'kind' => $chart->kind->value,
                'path' => $chart->path,
                'drifted' => null !== $chart->drifted,
                'sentence' => $chart->sentence,
            ], $drift->charts),
        ];
    }

    /** @return array{comparisonId: string, setupId: string, runs: int}|null null: it was not made here */
    private function confirm(Profile $profile): ?array
    {
        $id = $profile->imported ? null : $profile->document['origin']['setupId'] ?? null;
        $setup = \is_string($id) ? $this->entities->find(Setup::class, Uuid::fromString($id)) : null;

        return null === $setup ? null : [
            'comparisonId' => $setup->comparison->id->toRfc4122(),
            'setupId' => $setup->id->toRfc4122(),
            'runs' => $profile->document['evidence']['runsNeeded'],
        ];
    }

    /**
     * @param array<string, mixed> $row of a profile
     *
     * @return array<string, mixed> as a list shows it
     */
    private function row(array $row): array
    {
        /** @var array<string, mixed> $document */
        $document = json_decode((string) $row['document'], true, 64, \JSON_THROW_ON_ERROR);
        ['scope' => $scope, 'setting' => $setting] = $document;

        return [
            'id' => StoredId::text($row['id']),
            'revision' => $row['revision'],
            'title' => $row['title'],
            'status' => $row['status'],
            'materialId' => $row['material_id'],
            'materialName' => new Recorded($scope['materialName']),
            'surfaceName' => new Recorded($scope['surfaceName']),
            'agentName' => new Recorded($setting['agentName'] ?? null),
            'printerName' => new Recorded($scope['printerName']),
            'bedFirstC' => $setting['bedFirstC'] ?? null,
            'exposureS' => $setting['exposureS'] ?? null,
            'seat' => !isset($setting['windowLowC'], $setting['windowHighC']) ? null : [
                'lowC' => $setting['windowLowC'],
                'highC' => $setting['windowHighC'],
                'releaseC' => $document['release']['belowC'] ?? null,
            ],
            'scope' => [
                'lotLabel' => true === $scope['anyLot'] ? null : $scope['lotLabel'],
                'sideLabel' => true === $scope['anyPlate'] ? null : $scope['sideLabel'],
                'roomLowC' => $scope['roomLowC'],
                'roomHighC' => $scope['roomHighC'],
                'longestJobMinutes' => $scope['longestJobMinutes'],
                'mostParts' => $scope['mostParts'],
            ],
            'doubts' => self::doubted((string) $row['status'], fn (): array => $this->doubts->ofRow($row)),
            'signedBy' => $row['signed_by'],
            'signedAt' => null === $row['signed_at']
                ? null : (new \DateTimeImmutable((string) $row['signed_at'], new \DateTimeZone('UTC')))->format(\DATE_ATOM),
        ];
    }

    /**
     * @param \Closure(): list<Doubt> $doubts
     *
     * @return list<array<string, mixed>> what is only signed can be in doubt
     */
    private static function doubted(string $status, \Closure $doubts): array
    {
        return array_map(
            static fn (Doubt $doubt): array => ['kind' => $doubt->kind, 'reason' => $doubt->reason, 'restoredBy' => $doubt->restoredBy],
            \in_array($status, [Profile::VALIDATED, Profile::TRIAL], true) ? $doubts() : [],
        );
    }

    /** @return list<Profile> signed ones, of which the runs of a setup may make a new revision: same material, printer, side and agent */
    private function revisable(Setup $setup): array
    {
        $signed = $this->entities->getRepository(Profile::class)->findBy([
            'materialId' => $setup->materialId,
            'printer' => $setup->comparison->printer,
            'side' => [$setup->side, null],
            'status' => [Profile::VALIDATED, Profile::TRIAL],
        ], ['signedAt' => 'DESC']);

        return array_values(array_filter(
            $signed,
            static fn (Profile $profile): bool => !$profile->imported && ($profile->document['setting']['agentId'] ?? null) === $setup->agent?->kindId,
        ));
    }

    /** @throws Problem if it is none that the setup can stand for */
    private function series(string $id, Setup $setup): Uuid
    {
        foreach ($this->revisable($setup) as $profile) {
            if ($profile->series->equals(Uuid::fromString($id))) {
                return $profile->series;
            }
        }

        throw Problem::invalid('series', 'This profile is of another material, printer, plate or agent, or is signed no more: propose one of its own.');
    }

    private function nextRevision(Uuid $series): int
    {
        $last = $this->entities->getRepository(Profile::class)->findOneBy(['series' => $series], ['revision' => 'DESC']);

        return ($last->revision ?? 0) + 1;
    }

    /** @return array<string, mixed> */
    private static function assessment(Assessment $assessment, Comparison $comparison): array
    {
        $proven = $assessment->proven;

        return [
            'comparison' => ['id' => $comparison->id->toRfc4122(), 'version' => $comparison->version],
            'carried' => $assessment->carried(),
            'missing' => $assessment->missing,
            'runsNeeded' => $assessment->runsNeeded,
            'moreRuns' => $assessment->moreRuns,
            'incomplete' => $assessment->incomplete,
            'voidsAlone' => $assessment->voidsAlone,
            'runs' => \count($assessment->countedRuns),
            'failures' => $assessment->failures,
            'voids' => \count($assessment->voidRuns),
            'proven' => null === $proven ? null : [
                'roomLowC' => $proven->roomLowC,
                'roomHighC' => $proven->roomHighC,
                'enclosed' => $proven->enclosed,
                'longestJobMinutes' => $proven->longestJobMinutes,
                'mostParts' => $proven->mostParts,
                'lots' => $proven->lots,
                'plates' => $proven->plates,
            ],
        ];
    }
}
