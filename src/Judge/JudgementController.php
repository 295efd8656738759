<?php

declare(strict_types=1);

namespace App\Judge;

use App\Account\CurrentUser;
use App\Platform\Audit;
use App\Platform\Contract\Contract;
use App\Platform\Database\StoredEdit;
use App\Platform\Http\Answer;
use App\Platform\Now;
use App\Test\Comparison;
use App\Test\ComparisonBook;
use App\Test\ComparisonView;
use App\Test\RunCommands;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\CoreVersion;
use Sitzplatz\Judge\Verdict;
use Sitzplatz\Test\Life\ComparisonLife;
use Sitzplatz\Test\Life\ComparisonStatus;
use Sitzplatz\Words\OwnText;
use Sitzplatz\Words\Phrase;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** The verdicts of a comparison, reckoned from the readings that stand, beside the verdicts that were recorded. */
final readonly class JudgementController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Contract $contract,
        private StoredEdit $edit,
        private Judging $judging,
        private ComparisonBook $book,
        private ComparisonView $view,
        private CurrentUser $current,
        private Audit $audit,
        private Now $now,
        private VerdictRows $rows,
    ) {
    }

    #[Route('/api/verdicts', name: 'listVerdicts', methods: ['GET'])]
    public function list(Request $request): Answer
    {
        return new Answer($this->rows->page($request->query->getString('find'), $request->query->getString('after')));
    }

    #[Route('/api/comparisons/{id}/judgement', name: 'getJudgement', methods: ['GET'])]
    public function get(string $id): Answer
    {
        $comparison = $this->edit->find(Comparison::class, $id);
        $judgement = $this->judging->judge($comparison);
        $records = $this->entities->getRepository(VerdictRecord::class)->findBy(['comparison' => $comparison], ['createdAt' => 'DESC'], 1);
        $record = $records[0] ?? null;

        return new Answer([
            ...$judgement,
            'comparison' => [
                'id' => $comparison->id->toRfc4122(),
                'version' => $comparison->version,
                'title' => $comparison->title,
                'status' => $comparison->status->value,
                'materialId' => $comparison->materialId,
                'lotLabel' => $comparison->lot->label,
                'printerName' => $comparison->printer->name,
            ],
            'coreVersion' => CoreVersion::NUMBER,
            'recorded' => null === $record ? null : [
                'at' => $record->createdAt->format(\DATE_ATOM),
                'by' => $record->judgedBy,
                'coreVersion' => $record->coreVersion,
                'catalogueDigest' => $record->catalogueDigest,
                'runs' => \count($record->runIds),
                'differs' => self::verdicts($record->judgement) !== self::verdicts($judgement),
                // Made by older rules: what they said, and what would be said today.
                'superseded' => CoreVersion::NUMBER !== $record->coreVersion,
                'setups' => self::thenAndNow($record->judgement, $judgement),
            ],
        ]);
    }

    /** The verdict is reckoned from exactly the runs it names, while nobody can change one of them. */
    #[Route('/api/comparisons/{id}/close', name: 'closeComparison', methods: ['POST'])]
    public function close(string $id, Request $request): Answer
    {
        $body = $this->contract->body($request);
        $comparison = $this->edit->save(Comparison::class, $id, $body, function (Comparison $comparison): void {
            RunCommands::asked(fn () => ComparisonLife::close($this->book->state($comparison)));
            $this->entities->persist($this->judging->record($comparison, $this->current->author(), $this->now->time()));
            $comparison->status = ComparisonStatus::Closed;
            $comparison->closedAt = $this->now->time();
            $this->audit->note('comparison closed', $comparison->id);
        });

        return new Answer($this->view->of($comparison));
    }

    /**
     * @param array<string, mixed> $then
     * @param array<string, mixed> $now
     *
     * @return list<array<string, mixed>>
     */
    private static function thenAndNow(array $then, array $now): array
    {
        $before = self::verdicts($then);
        $words = static fn (string $verdict): Phrase => Verdict::tryFrom($verdict)?->words() ?? new OwnText($verdict);
        $setups = [];
        foreach (self::verdicts($now) as $label => $verdict) {
            if (isset($before[$label])) {
                $setups[] = ['label' => $label, 'then' => $words($before[$label]), 'now' => $words($verdict)];
            }
        }

        return $setups;
    }

    /**
     * @param array<string, mixed> $judgement
     *
     * @return array<string, string>
     */
    private static function verdicts(array $judgement): array
    {
        $setups = $judgement['setups'];

        return \is_array($setups) ? array_column($setups, 'verdict', 'label') : [];
    }
}
