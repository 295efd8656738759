<?php

declare(strict_types=1);

namespace App\Choose;

use App\Evidence\LearnedShop;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use Sitzplatz\Choose\Detail\Facet;
use Sitzplatz\Choose\Detail\SideBySide;
use Sitzplatz\Choose\Gate\Rejection;
use Sitzplatz\Choose\Order\Candidate;
use Sitzplatz\Choose\Order\Lacking;
use Sitzplatz\Choose\Order\OneLimit;
use Sitzplatz\Choose\Order\Ranking;
use Sitzplatz\Choose\Request\FootholdAdvice;

/** Ranks the shop's own plates and agents for a job, and says what would do where they do not. */
final readonly class Choosing
{
    /** As many as somebody looks through; the rest is counted. */
    public const SHOWN = 24;
    private const REJECTIONS_SHOWN = 200;
    private const LIMITS_SHOWN = 3;

    public function __construct(private Questions $questions, private CandidateData $data, private LastPrices $prices, private LearnedShop $learned)
    {
    }

    /**
     * @param array<string, mixed> $body a request that has passed the contract
     *
     * @return Answer with all that it was made of
     */
    public function answer(array $body): Answer
    {
        $question = $this->questions->of($body);
        $ranking = $this->ranked($question, $body);
        $candidates = self::wanted($ranking->candidates, $body['agent'] ?? null);
        $shown = \array_slice($candidates, 0, self::SHOWN);
        $first = $shown[0] ?? null;
        $looked = self::looked($shown, $question, $body['lookAt'] ?? null) ?? $first;
        // Of several printers the notes are those of the one that stands first.
        $job = $first->proposal->job ?? $question->jobs[0]->job ?? null;
        $advice = null === $job?->part ? null : FootholdAdvice::for(
            $job->part,
            $job->partCount,
            $looked?->proposal->surface,
            $job->material,
            $job->reachesTheEdge(),
        );

        return new Answer([
            'notes' => array_values(array_filter([$first?->limits, ...($job?->notes() ?? [])])),
            'learnedAt' => $this->learned->learned()['learnedAt'],
            'advice' => null === $advice ? null : [
                'foothold' => ['kind' => $advice->foothold->kind->value, 'mm' => $advice->foothold->mm],
                'sentence' => $advice->sentence,
                'gainedMm2' => $advice->gainedMm2,
            ],
            'profiles' => $question->profiles,
            'profileCount' => $question->profileCount,
            'candidates' => array_map(fn (Candidate $c): array => $this->data->row($c, $ranking, $question), $shown),
            'candidateCount' => \count($candidates),
            'detail' => null === $looked ? null : $this->data->detail($looked, $ranking, $question),
            'firstDetail' => null === $first || $first === $looked ? null : $this->data->detail($first, $ranking, $question),
            'rejections' => array_map(fn (array $line): array => [
                'key' => null === $line['first'] ? null : CandidateData::key($line['first']->proposal, $question->anyPrinter),
                'label' => $line['label'],
                'reason' => $line['reason'],
                'test' => null === $line['first'] ? null : $this->data->tried($line['first']->proposal, $question),
            ], \array_slice($ranking->rejectionsDrawnTogether(), 0, self::REJECTIONS_SHOWN)),
            'rejectionCount' => \count($ranking->rejections),
        ], madeOf: [$question, $ranking]);
    }

    /**
     * What lies beyond the shelf of this printer: other printers, what stands in the way, and what the shop lacks.
     *
     * @param array<string, mixed> $body a request that has passed the contract
     *
     * @return array<string, mixed>
     */
    public function beyond(array $body): array
    {
        $question = $this->questions->of($body);
        $ranking = $this->ranked($question, $body);
        $best = self::wanted($ranking->candidates, $body['agent'] ?? null)[0] ?? null;
        $elsewhere = $question->anyPrinter ? null : $this->questions->elsewhere($body);
        $others = null === $elsewhere ? [] : $this->bestOfEach($elsewhere, $body);
        $lacking = Lacking::of($question->catalogue, $question->jobs, $question->agents(), $question->experience, $best);

        return [
            'limits' => array_map(
                static fn (OneLimit $each): array => ['reason' => $each->reason, 'sides' => $each->sides],
                null === $best ? \array_slice(OneLimit::among($ranking->rejections, $question->catalogue, $question->agents()), 0, self::LIMITS_SHOWN) : [],
            ),
            'printers' => $others,
            'lacking' => array_map(fn (Lacking $each): array => [
                'name' => $each->surface->name ?? $each->agent?->name,
                'kind' => null === $each->surface ? 'agent' : 'surface',
                'setup' => $this->data->beside($each->candidate),
                'price' => null === $each->surface
                    ? $this->prices->ofAgent($each->agent->id ?? '')
                    : $this->prices->ofSurface($each->surface->id),
                ...$this->data->chances($each->candidate),
            ], $lacking),
        ];
    }

    /**
     * @param array<string, mixed> $body a request that has passed the contract
     *
     * @return array<string, mixed>
     */
    public function sideBySide(array $body): array
    {
        $question = $this->questions->of($body);
        $ranking = $question->ranking(null);
        $pair = [];
        foreach ($body['pair'] as $i => $key) {
            $pair[] = $question->found($ranking, $key)
                ?? throw Problem::invalid("pair.$i", 'There is no such setup for this job: choose two from the list.');
        }
        $side = SideBySide::of($pair[0], $pair[1], $ranking);

        return [
            'labels' => array_map(static fn (Candidate|Rejection $each) => $each->proposal->label(), $pair),
            'better' => $side->better,
            'facets' => array_map(static fn (Facet $facet): array => [
                'id' => $facet->id,
                'name' => $facet->name,
                'values' => [$facet->one, $facet->other],
                'same' => $facet->same,
            ], $side->facets),
            'gates' => $side->gates,
            'reasons' => $side->reasons,
        ];
    }

    /** @param array<string, mixed> $body */
    private function ranked(Question $question, array $body): Ranking
    {
        // With one agent only the bare ones are left out of what is shown: then all have to be in order.
        return $question->ranking(isset($body['agent']) ? null : self::SHOWN);
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return list<array<string, mixed>> the likeliest first
     */
    private function bestOfEach(Question $question, array $body): array
    {
        $best = [];
        foreach (self::wanted($this->ranked($question, $body)->candidates, $body['agent'] ?? null) as $candidate) {
            $printer = $candidate->proposal->job->printer;
            $best[$printer->id] ??= [
                'printerId' => $printer->id,
                'printerName' => $printer->name,
                'label' => $candidate->proposal->label(),
                ...$this->data->chances($candidate),
            ];
        }

        return array_values($best);
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate>
     */
    private static function wanted(array $candidates, ?string $agent): array
    {
        return null === $agent ? $candidates : array_values(array_filter(
            $candidates,
            static fn (Candidate $each): bool => CandidateData::BARE === $agent ? null === $each->treatment->agentId : $agent === $each->treatment->agentId,
        ));
    }

    /** @param list<Candidate> $shown */
    private static function looked(array $shown, Question $question, ?string $key): ?Candidate
    {
        foreach (null === $key ? [] : $shown as $candidate) {
            if (CandidateData::key($candidate->proposal, $question->anyPrinter) === $key) {
                return $candidate;
            }
        }

        return null;
    }
}
