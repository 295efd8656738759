<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Statistics\ClopperPearson;
use Sitzplatz\Statistics\RunningShare;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Did it come true? Prints for use by what their chance rested on and by material, and the pairs that came out otherwise than was said. */
final readonly class CameTrue
{
    public const BASES = ['proven', 'own', 'alike', 'practice'];
    /** Fewer prints of a pair are no reason to doubt what was said of it (ours). */
    private const ODD_FROM = 10;

    /**
     * @param array<string, ToldScore>                                        $byBasis
     * @param array<string, ToldScore>                                        $byMaterial
     * @param list<array{job: ToldJob, score: ToldScore, sentence: Sentence}> $odd        the job stands for its pair
     */
    private function __construct(public ?ToldScore $all, public array $byBasis, public array $byMaterial, public array $odd)
    {
    }

    /** @param list<ToldJob> $jobs in the order in which they were begun */
    public static function of(array $jobs): self
    {
        $share = new RunningShare();
        $running = $odd = [];
        foreach ($jobs as $job) {
            $running[] = $share->of($job->setup(), $job->practice);
            $share->count($job->setup(), $job->cameTrue);
        }
        foreach (self::grouped($jobs, static fn (ToldJob $job): string => $job->pair()) as $pair) {
            $score = ToldScore::of($pair, $running);
            if (null !== $score && $score->score->n >= self::ODD_FROM) {
                $interval = ClopperPearson::interval($score->score->happened, $score->score->n);
                // What was said lies beyond what so many prints leave open, with 95 %.
                if ($score->said < $interval->low || $score->said > $interval->high) {
                    $odd[] = ['job' => $pair[array_key_first($pair)], 'score' => $score, 'sentence' => Sentence::of(
                        $score->said > $interval->high ? 'came_true.odd_worse' : 'came_true.odd_better',
                        n: Quantity::count($score->score->n),
                        happened: Quantity::count($score->score->happened),
                        said: Quantity::share($score->said),
                    )];
                }
            }
        }
        usort($odd, static fn (array $a, array $b): int => $b['score']->score->n <=> $a['score']->score->n);
        $scores = static fn (\Closure $by): array => array_filter(array_map(
            static fn (array $group): ?ToldScore => ToldScore::of($group, $running),
            self::grouped($jobs, $by),
        ));

        return new self(
            ToldScore::of($jobs, $running),
            $scores(static fn (ToldJob $job): string => $job->basis),
            $scores(static fn (ToldJob $job): string => $job->materialId),
            $odd,
        );
    }

    public function sentence(): Sentence
    {
        return null === $this->all ? Sentence::of('came_true.none') : Sentence::of(
            $this->all->better() ? 'came_true.better' : 'came_true.mixed',
            n: Quantity::count($this->all->score->n),
            happened: Quantity::count($this->all->score->happened),
            said: Quantity::share($this->all->said),
        );
    }

    /**
     * @param list<ToldJob>             $jobs
     * @param \Closure(ToldJob): string $by
     *
     * @return array<string, non-empty-array<int, ToldJob>> each with its place
     */
    private static function grouped(array $jobs, \Closure $by): array
    {
        $groups = [];
        foreach ($jobs as $i => $job) {
            $groups[$by($job)][$i] = $job;
        }

        return $groups;
    }
}
