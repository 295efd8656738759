<?php

declare(strict_types=1);

namespace App\Keep;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\Printer;
use App\Test\Setup;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Catalogue\Catalogue;
use Sitzplatz\Keep\Assessment;
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
        private Contract $contract,
        private IdempotentCreation $creation,
        private StoredEdit $edit,
        private Proposal $proposal,
        private ProfileSchema $schema,
        private Catalogue $catalogue,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
    ) {
    }

    #[Route('/api/profiles', name: 'listProfiles', methods: ['GET'])]
    public function list(): Answer
    {
        $profiles = $this->entities->getRepository(Profile::class)->findBy([], ['createdAt' => 'DESC'], 500);

        return new Answer(array_map(static fn (Profile $profile): array => $profile->toArray(), $profiles));
    }

    #[Route('/api/profiles/{id}', name: 'getProfile', methods: ['GET'])]
    public function get(string $id): Answer
    {
        return new Answer($this->edit->find(Profile::class, $id)->toArray());
    }

    #[Route('/api/profiles/assess', name: 'assessEvidence', methods: ['POST'], priority: 1)]
    public function assess(Request $request): Answer
    {
        $body = $this->contract->body($request);

        return new Answer(self::assessment($this->proposal->assess($this->edit->reference(Setup::class, $body['setupId'], 'setupId'), $body)));
    }

    #[Route('/api/profiles', name: 'proposeProfile', methods: ['POST'])]
    public function propose(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$profile, $new] = $this->creation->create(Profile::class, $body, function (Uuid $id) use ($body): Profile {
            $setup = $this->edit->reference(Setup::class, $body['setupId'], 'setupId');
            $comparison = $setup->comparison;
            $document = $this->proposal->document($setup, $body, $body['title']);
            // What is looked up later to assess the evidence again, when it is signed.
            $document['origin'] = ['setupId' => $setup->id->toRfc4122()];
            $series = isset($body['series']) ? Uuid::fromString($body['series']) : $id;
            $profile = new Profile(
                $id,
                $this->now->time(),
                $series,
                $this->nextRevision($series),
                $body['title'],
                $comparison->materialId,
                $comparison->printer,
                $body['anyPlate'] ? null : $setup->side,
                $body['anyLot'] ? null : $comparison->lot,
                $document,
                false,
                $this->current->get()->displayName,
            );
            $profile->reviewBy = new \DateTimeImmutable($body['reviewBy']);
            $this->audit->note('profile proposed', $id, ['title' => $body['title']]);

            return $profile;
        });

        return new Answer($profile->toArray(), $new ? 201 : 200);
    }

    #[Route('/api/profiles/{id}/sign', name: 'signProfile', methods: ['POST'])]
    public function sign(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $lead = $this->current->leadSigning($body['password'], (string) $request->getClientIp());
        unset($body['password']);
        $profile = $this->edit->save(Profile::class, $id, $body, function (Profile $profile) use ($body, $lead): void {
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
            $profile->signedAt = $this->now->time();
            $this->supersede($profile);
            $this->audit->note('profile signed', $profile->id, ['status' => $profile->status, 'reason' => $profile->trialReason]);
        });

        return new Answer($profile->toArray());
    }

    #[Route('/api/profiles/{id}/withdraw', name: 'withdrawProfile', methods: ['POST'])]
    public function withdraw(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $lead = $this->current->leadSigning($body['password'], (string) $request->getClientIp());
        unset($body['password']);
        $profile = $this->edit->save(Profile::class, $id, $body, function (Profile $profile) use ($body, $lead): void {
            if (Profile::WITHDRAWN === $profile->status) {
                throw Problem::invalid('', 'This profile is withdrawn already.', 409);
            }
            $profile->status = Profile::WITHDRAWN;
            $profile->withdrawnReason = $body['reason'];
            $this->audit->note('profile withdrawn', $profile->id, ['by' => $lead->displayName, 'reason' => $body['reason']]);
        });

        return new Answer($profile->toArray());
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
        $document['signature'] = null === $profile->signedBy ? null : ['status' => $profile->status, 'by' => $profile->signedBy, 'at' => $profile->signedAt?->format(\DATE_ATOM), 'trialReason' => $profile->trialReason];
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
        if (!isset($this->catalogue->materials[$document['scope']['materialId']])) {
            throw Problem::invalid('document.scope.materialId', 'The catalogue here has no such material.');
        }
        [$profile, $new] = $this->creation->create(Profile::class, $body, function (Uuid $id) use ($document): Profile {
            unset($document['signature'], $document['revision']);
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
            );
        });

        return new Answer($profile->toArray(), $new ? 201 : 200);
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
        $missing = $this->proposal->assess($setup, [
            'plan' => $document['evidence']['plan'],
            'anyLot' => $document['scope']['anyLot'],
            'anyPlate' => $document['scope']['anyPlate'],
        ])->missing;
        if (!$document['scope']['anyPlate'] && $setup->fitting !== $setup->side->current()) {
            $missing[] = Sentence::of('keep.new_surface', side: $setup->side->label());
        }

        return $missing;
    }

    /** A newly signed revision takes the place of the earlier ones of its series. */
    private function supersede(Profile $signed): void
    {
        foreach ($this->entities->getRepository(Profile::class)->findBy(['series' => $signed->series]) as $other) {
            if ($other !== $signed && \in_array($other->status, [Profile::VALIDATED, Profile::TRIAL], true)) {
                $other->status = Profile::WITHDRAWN;
                $other->withdrawnReason = \sprintf('Replaced by revision %d.', $signed->revision);
            }
        }
    }

    private function nextRevision(Uuid $series): int
    {
        $last = $this->entities->getRepository(Profile::class)->findOneBy(['series' => $series], ['revision' => 'DESC']);

        return ($last->revision ?? 0) + 1;
    }

    /** @return array<string, mixed> */
    private static function assessment(Assessment $assessment): array
    {
        $proven = $assessment->proven;

        return [
            'carried' => $assessment->carried(),
            'missing' => $assessment->missing,
            'runsNeeded' => $assessment->runsNeeded,
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
