<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Statistics\LogitRow;
use Sitzplatz\Statistics\NormalLogit;

/**
 * What a shop has learned from its runs and prints, of one question (did it hold; did it come off clean):
 * logit P = practice + Σ β·x + Σ u, each u of something that was there: {@see EffectKind}.
 */
final readonly class Shop
{
    /** So much wider is what was shown long ago (ours). */
    private const FORGOTTEN = 2.0;

    /**
     * @param array<string, int>             $places of coefficients, by kind and level, or measure
     * @param array<string, array{int, int}> $counts answers by kind and level, and how many of them went well
     */
    private function __construct(private Spreads $spreads, private array $places, private ?NormalLogit $posterior, private array $counts = [])
    {
    }

    /**
     * @param list<Answered>                     $answers
     * @param self|null                          $before  from where it is looked for
     * @param array<string, array{float, float}> $older   what was shown before these answers, as {@see shown} has it
     */
    public static function learn(array $answers, Spreads $spreads, ?self $before = null, array $older = []): self
    {
        $levels = $measures = $counts = [];
        foreach ($answers as $answer) {
            foreach ($answer->situation->levels as $kind => $level) {
                if ($spreads->hasEffect($kind)) {
                    $levels[$kind][$level] = true;
                    [$all, $well] = $counts["$kind\0$level"] ?? [0, 0];
                    $counts["$kind\0$level"] = [$all + 1, $well + (int) $answer->well];
                }
            }
            foreach ($answer->situation->measures as $name => $ignored) {
                $measures[$name] = true;
            }
        }
        // No two of one kind are in one row: the kind that has most stands first, and costs the least.
        uasort($levels, static fn (array $a, array $b): int => \count($b) <=> \count($a));
        $places = $means = $precisions = $start = [];
        foreach ($levels as $kind => $of) {
            foreach ($of as $level => $ignored) {
                $places["$kind\0$level"] = \count($places);
                [$means[], $precisions[]] = self::prior($older["$kind\0$level"] ?? null, 0.0, $spreads->ofEffect($kind));
            }
        }
        foreach ($measures as $name => $ignored) {
            $places[$name] = \count($places);
            [$means[], $precisions[]] = self::prior($older[$name] ?? null, ...$spreads->ofMeasure($name));
        }
        foreach ($places as $key => $place) {
            $start[] = isset($before->places[$key]) ? $before->posterior?->coefficients[$before->places[$key]] ?? $means[$place] : $means[$place];
        }
        $shop = new self($spreads, $places, null);
        $rows = array_map(static function (Answered $answer) use ($shop): LogitRow {
            [$x] = $shop->row($answer->situation);
            ksort($x);

            return new LogitRow($answer->situation->practice, array_keys($x), array_values($x), $answer->well ? 1.0 : 0.0);
        }, $answers);

        return new self($spreads, $places, [] === $answers ? null : NormalLogit::fit($rows, $means, $precisions, $start), $counts);
    }

    /**
     * What older answers say of an effect, as far as it may have changed since.
     *
     * @param array{float, float}|null $older mean and variance
     *
     * @return array{float, float} mean and precision
     */
    private static function prior(?array $older, float $mean, float $spread): array
    {
        return null === $older ? [$mean, 1 / $spread ** 2] : [$older[0], 1 / min($spread ** 2, self::FORGOTTEN * $older[1])];
    }

    /** @return array<string, array{float, float}> mean and variance of each effect and measure, for those who learn on from newer answers */
    public function shown(): array
    {
        $shown = [];
        $covariances = $this->posterior?->covariances() ?? [];
        foreach ($this->places as $key => $place) {
            $shown[$key] = [$this->posterior->coefficients[$place] ?? 0.0, $covariances[$place][$place] ?? 0.0];
        }

        return $shown;
    }

    /** What is to be expected of one. */
    public function expects(Situation $situation): LogisticNormal
    {
        [$x, $mean, $variance] = $this->row($situation);
        [$known, $doubt] = null === $this->posterior ? [0.0, 0.0] : $this->posterior->at($x);

        return new LogisticNormal($situation->practice + $mean + $known, $variance + $doubt);
    }

    /** The middle of what is to be expected, on log-odds. */
    public function logOdds(Situation $situation): float
    {
        [$x, $mean] = $this->row($situation);
        foreach ($x as $place => $value) {
            $mean += $value * ($this->posterior->coefficients[$place] ?? 0.0);
        }

        return $situation->practice + $mean;
    }

    /** log of how likely the answers are with these spreads (Laplace's approximation). */
    public function logEvidence(): float
    {
        return $this->posterior?->logEvidence() ?? 0.0;
    }

    /** @return list<LearnedEffect> of all that was there, and of the measures */
    public function effects(): array
    {
        $effects = [];
        if (null === $this->posterior) {
            return [];
        }
        $covariances = $this->posterior->covariances();
        foreach ($this->places as $key => $place) {
            $parts = explode("\0", $key, 2);
            $kind = isset($parts[1]) ? EffectKind::from($parts[0]) : null;
            $expected = null === $kind ? $this->spreads->ofMeasure($key)[0] : 0.0;
            $effects[] = new LearnedEffect($kind, $parts[1] ?? $key, $this->posterior->coefficients[$place], sqrt($covariances[$place][$place]), $expected);
        }

        return $effects;
    }

    /**
     * What may be asked of one material, to be kept.
     *
     * @param \Closure(string, string): bool $isAsked whether a level of a kind still is; measures are
     */
    public function known(\Closure $isAsked): Posterior
    {
        if (null === $this->posterior) {
            return Posterior::unlearned($this->spreads);
        }
        $asked = [];
        foreach ($this->places as $key => $place) {
            $parts = explode("\0", $key, 2);
            if (!isset($parts[1]) || $isAsked($parts[0], $parts[1])) {
                $asked[$place] = $key;
            }
        }
        $covariances = $this->posterior->covariances();
        $means = $with = [];
        foreach ($asked as $place => $key) {
            $means[$key] = $this->posterior->coefficients[$place];
            foreach ($covariances[$place] as $other => $covariance) {
                if (isset($asked[$other])) {
                    $with[$asked[$other]][$key] = $covariance;
                }
            }
        }

        return Posterior::of($this->spreads, $means, $with, array_intersect_key($this->counts, $means));
    }

    /** By how much effects differ here, one step nearer to what the answers say. */
    public function spreads(): Spreads
    {
        $learned = [];
        foreach ($this->effects() as $effect) {
            if (null !== $effect->kind) {
                [$count, $squares, $variances] = $learned[$effect->kind->value] ?? [0, 0.0, 0.0];
                $learned[$effect->kind->value] = [$count + 1, $squares + $effect->worth ** 2, $variances + $effect->doubt ** 2];
            }
        }

        return $this->spreads->after($learned);
    }

    /** @return array{array<int, float>, float, float} what is known has a part by its place; mean and variance of what was never there */
    private function row(Situation $situation): array
    {
        $x = [];
        $mean = $variance = 0.0;
        foreach ($situation->levels as $kind => $level) {
            $place = $this->places["$kind\0$level"] ?? null;
            if (null !== $place) {
                $x[$place] = 1.0;
            } elseif ($this->spreads->hasEffect($kind)) {
                $variance += $this->spreads->ofEffect($kind) ** 2;
            }
        }
        foreach ($situation->measures as $name => $value) {
            $place = $this->places[$name] ?? null;
            if (null !== $place) {
                $x[$place] = $value;
            } else {
                [$usual, $spread] = $this->spreads->ofMeasure($name);
                $mean += $usual * $value;
                $variance += ($spread * $value) ** 2;
            }
        }

        return [$x, $mean, $variance];
    }
}
