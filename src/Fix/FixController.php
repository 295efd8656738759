<?php

declare(strict_types=1);

namespace App\Fix;

use App\Account\CurrentUser;
use App\Catalogue\ShopCatalogue;
use App\Platform\Contract\Contract;
use App\Platform\Database\IdempotentCreation;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Platform\Now;
use App\Shelf\Lot;
use App\Shelf\Number;
use App\Shelf\PlateSide;
use App\Shelf\Printer;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Fix\Cause;
use Sitzplatz\Fix\Diagnosis;
use Sitzplatz\Fix\FailedWhere;
use Sitzplatz\Fix\Suspect;
use Sitzplatz\Fix\TakingOff;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** What is wrong and what to try next, one thing at a time; what it was is remembered. */
final readonly class FixController
{
    private const LAST = 20;

    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private IdempotentCreation $creation,
        private KnownCauses $causes,
        private CircumstancesHere $here,
        private ShopCatalogue $shop,
        private CurrentUser $current,
        private Now $now,
    ) {
    }

    #[Route('/api/fix', name: 'diagnose', methods: ['POST'])]
    public function diagnose(Request $request): Answer
    {
        $body = $this->contract->body($request);
        $known = $this->known($body['symptomId']);
        [$side, $printer, $lot] = $this->where($body);
        $marked = null === $side ? null : $this->here->failedWhere($side);
        $circumstances = $this->here->of(
            $side,
            $printer,
            $lot,
            Number::orNull($body['roomC'] ?? null),
            FailedWhere::tryFrom($body['where'] ?? '') ?? $marked,
            isset($body['part']) ? PartFacts::said($body['part']) : null,
        );
        $diagnosis = Diagnosis::of(array_values($known), $circumstances, $body['tried'], $this->remembered($body['symptomId']));
        $off = $this->causes->sitsFast($body['symptomId']) && null !== $side && null !== $circumstances->surface
            ? TakingOff::from($side->facts($this->shop->get())->build($circumstances->surface), $circumstances->pairing?->releaseC) : null;

        return new Answer([
            'where' => $marked?->value,
            'nextId' => $diagnosis->next()?->cause->id,
            'suspects' => array_map(static fn (Suspect $suspect): array => [
                'id' => $suspect->cause->id,
                'name' => $suspect->cause->name,
                'do' => $suspect->cause->do,
                'minutes' => $suspect->cause->minutes,
                'share' => $suspect->share,
                'why' => $suspect->why,
                'here' => $suspect->here,
                'tried' => $suspect->tried,
                'then' => $suspect->cause->then->value,
                'thenWords' => $suspect->cause->then->words(),
            ], $diagnosis->suspects),
            'somethingElse' => $diagnosis->somethingElse,
            'expectedMinutes' => $diagnosis->expectedMinutes,
            'takeOff' => null === $off ? null : ['steps' => $off->steps, 'never' => $off->never],
        ]);
    }

    #[Route('/api/fix/cases', name: 'rememberCause', methods: ['POST'])]
    public function remember(Request $request): Answer
    {
        $body = $this->contract->body($request);
        [$case, $new] = $this->creation->create(FixCase::class, $body, function (Uuid $id) use ($body): FixCase {
            $known = $this->known($body['symptomId']);
            foreach ([...$body['tried'], ...(null === $body['causeId'] ? [] : [$body['causeId']])] as $causeId) {
                if (!isset($known[$causeId])) {
                    throw Problem::invalid('causeId', 'This is no cause of what you see: choose one from the list.');
                }
            }
            [$side, $printer, $lot] = $this->where($body);

            return new FixCase(
                $id,
                $this->now->time(),
                $body['symptomId'],
                array_values(array_unique($body['tried'])),
                $body['causeId'],
                $printer,
                $side,
                $lot,
                $body['note'],
                $this->current->author(),
            );
        });

        return new Answer(['id' => $case->id->toRfc4122()], $new ? 201 : 200);
    }

    #[Route('/api/fix/cases', name: 'listCauses', methods: ['GET'])]
    public function last(): Answer
    {
        $symptoms = $this->causes->symptoms();
        $names = $this->causes->names();
        /** @var list<FixCase> $cases */
        $cases = $this->entities->createQuery('SELECT c, p, s, pl FROM '.FixCase::class.' c LEFT JOIN c.printer p LEFT JOIN c.side s LEFT JOIN s.plate pl
            ORDER BY c.createdAt DESC, c.id DESC')->setMaxResults(self::LAST)->getResult();

        return new Answer(array_map(static fn (FixCase $case): array => [
            'id' => $case->id->toRfc4122(),
            'at' => $case->createdAt->format(\DATE_ATOM),
            'symptom' => $symptoms[$case->symptomId] ?? $case->symptomId,
            'cause' => null === $case->causeId ? null : $names[$case->causeId] ?? $case->causeId,
            'sideLabel' => $case->side?->label(),
            'printerName' => $case->printer?->name,
            'tried' => \count($case->tried),
            'note' => $case->note,
            'who' => $case->who,
        ], $cases));
    }

    /** @return non-empty-array<string, Cause> */
    private function known(string $symptomId): array
    {
        $known = $this->causes->of($symptomId);

        return [] === $known ? throw Problem::invalid('symptomId', 'Choose a symptom from the list.') : $known;
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array{?PlateSide, ?Printer, ?Lot} the printer is that of the plate where none is named
     */
    private function where(array $body): array
    {
        $side = null === $body['plateSideId'] ? null : $this->edit->reference(PlateSide::class, $body['plateSideId'], 'plateSideId');
        $printer = null === $body['printerId'] ? $side?->plate->printer : $this->edit->reference(Printer::class, $body['printerId'], 'printerId');

        return [$side, $printer, null === $body['lotId'] ? null : $this->edit->reference(Lot::class, $body['lotId'], 'lotId')];
    }

    /** @return array<string, int> how often each was the cause here, by id */
    private function remembered(string $symptomId): array
    {
        return array_map(intval(...), $this->entities->getConnection()->fetchAllKeyValue(
            'SELECT cause_id, COUNT(*) FROM fix_case WHERE symptom_id = ? AND cause_id IS NOT NULL GROUP BY cause_id',
            [$symptomId],
        ));
    }
}
