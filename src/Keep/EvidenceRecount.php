<?php

declare(strict_types=1);

namespace App\Keep;

use App\Platform\Now;
use App\Test\Setup;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Keep\AcceptancePlan;
use Sitzplatz\Keep\ScopeClaim;
use Sitzplatz\Words\Sentence;
use Symfony\Component\Uid\Uuid;

/** Counts the runs that validated profiles name by the rules and readings of now, and puts in question what they do not carry. */
final readonly class EvidenceRecount
{
    public function __construct(private EntityManagerInterface $entities, private Proposal $proposal, private Now $now)
    {
    }

    /** @return list<array{profile: Profile, missing: list<Sentence>}> that are not carried, the oldest first */
    public function all(bool $keep): array
    {
        $found = [];
        $signed = $this->entities->getRepository(Profile::class)->findBy(['status' => Profile::VALIDATED, 'imported' => false], ['signedAt' => 'ASC']);
        foreach ($signed as $profile) {
            $missing = $this->of($profile, $keep);
            if ([] !== $missing) {
                $found[] = ['profile' => $profile, 'missing' => $missing];
            }
        }

        return $found;
    }

    /** @return list<Sentence> what its own runs do not show */
    public function of(Profile $profile, bool $keep): array
    {
        /** @var array{origin: array{setupId: string}, scope: array{anyLot: bool, anyPlate: bool}, evidence: array<string, mixed>} $document */
        $document = $profile->document;
        $setup = $this->entities->find(Setup::class, Uuid::fromString($document['origin']['setupId']));
        if (null === $setup) {
            return [];
        }
        /**
         * @var list<string> $counted
         * @var list<string> $void
         */
        ['runIds' => $counted, 'voidRunIds' => $void] = $document['evidence'];
        /** @var array{reliability: float|int, confidence: float|int, failuresAllowed: int} $plan */
        $plan = $document['evidence']['plan'];
        $missing = $this->proposal->recount(
            $setup,
            new AcceptancePlan((float) $plan['reliability'], (float) $plan['confidence'], $plan['failuresAllowed']),
            new ScopeClaim($document['scope']['anyLot'], $document['scope']['anyPlate']),
            [...$counted, ...$void],
        );
        if ($keep) {
            $profile->evidenceFailsSince = [] === $missing ? null : $profile->evidenceFailsSince ?? $this->now->time();
        }

        return $missing;
    }
}
