<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

/**
 * What a shop has learned of one question, as much of it as one material may ask for: means of effects and measures, and how they hang together where
 * they ever met in a print, or met the same. What never met hangs together by nothing (the rest of it is small; docs/statistics.md says how small).
 * What was never there is as wide as its kind.
 */
final class Posterior
{
    /** @var array<string, int> */
    private array $places = [];
    /** @var array<int, float> */
    private array $means = [];
    /** @var array<int, float> */
    private array $variances = [];
    /** @var array<int, array<int, float>|string> with those before it; packed until somebody asks */
    private array $with = [];
    /** @var array<string, array{int, int}> prints, and how many of them went well, by kind and level */
    private array $counts = [];
    /** @var array<int, float> of terms, by their numbers */
    private array $known = [];
    private int $terms = 0;

    private function __construct(private readonly Spreads $spreads)
    {
    }

    public static function unlearned(Spreads $spreads): self
    {
        return new self($spreads);
    }

    /**
     * @param array<string, float>                $means       of effects, by kind and level, and of measures, by name
     * @param array<string, array<string, float>> $covariances of each with itself and with some of the others, each pair once
     * @param array<string, array{int, int}>      $counts      of each effect: prints that it had a part in, and how many of these went well
     */
    public static function of(Spreads $spreads, array $means, array $covariances, array $counts = []): self
    {
        $posterior = new self($spreads);
        $posterior->counts = $counts;
        foreach ($means as $key => $mean) {
            $posterior->places[$key] = \count($posterior->places);
            $posterior->means[] = $mean;
        }
        foreach ($covariances as $key => $row) {
            $one = $posterior->places[$key];
            foreach ($row as $with => $covariance) {
                $other = $posterior->places[$with];
                if ($one === $other) {
                    $posterior->variances[$one] = $covariance;
                } else {
                    $posterior->with[max($one, $other)][min($one, $other)] = $covariance;
                }
            }
        }

        return $posterior;
    }

    /**
     * To be kept: a line of JSON, and numbers behind it.
     *
     * @throws \JsonException if a level is no text
     */
    public function packed(): string
    {
        $rows = [];
        $body = '';
        foreach ($this->with as $place => $row) {
            $row = \is_string($row) ? self::unpacked($row) : $row;
            $rows[] = [$place, \count($row)];
            $body .= pack('v*', ...array_keys($row)).pack('g*', ...array_values($row));
        }
        $names = array_keys($this->places);
        ksort($this->variances);
        $head = json_encode([
            'of' => $this->spreads->of->value,
            'spreads' => $this->spreads->ofEffects,
            'names' => $names,
            'rows' => $rows,
            'counts' => array_values(array_map(fn (string $key): array => $this->counts[$key] ?? [], $names)),
        ], \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);

        return $head."\n".pack('e*', ...$this->means).pack('e*', ...$this->variances).$body;
    }

    /** @throws \JsonException if it was not kept by {@see packed} */
    public static function kept(string $packed): self
    {
        $end = (int) strpos($packed, "\n");
        /** @var array{of: string, spreads: array<string, float>, names: list<string>, rows: list<array{int, int}>, counts: list<list<int>>} $head */
        $head = json_decode(substr($packed, 0, $end), true, 4, \JSON_THROW_ON_ERROR);
        $posterior = new self(Spreads::kept(Success::from($head['of']), $head['spreads']));
        $posterior->places = array_flip($head['names']);
        foreach ($head['names'] as $place => $name) {
            $counts = $head['counts'][$place];
            if (isset($counts[1])) {
                $posterior->counts[$name] = [$counts[0], $counts[1]];
            }
        }
        $n = \count($head['names']);
        $at = $end + 1;
        if ($n > 0) {
            /** @var array<int, float> $figures */
            $figures = array_values((array) unpack('e'.(2 * $n), $packed, $at));
            $posterior->means = \array_slice($figures, 0, $n);
            $posterior->variances = \array_slice($figures, $n);
        }
        $at += 16 * $n;
        foreach ($head['rows'] as [$place, $count]) {
            $posterior->with[$place] = substr($packed, $at, 6 * $count);
            $at += 6 * $count;
        }

        return $posterior;
    }

    /**
     * @param array<string, string> $levels   by the value of an {@see EffectKind}
     * @param array<string, float>  $measures by name
     */
    public function term(array $levels, array $measures): Term
    {
        $x = [];
        foreach ($levels as $kind => $level) {
            if ($this->spreads->hasEffect($kind)) {
                $x[$this->places["$kind\0$level"] ?? $this->unseen("$kind\0$level", 0.0, $this->spreads->ofEffect($kind))] = 1.0;
            }
        }
        foreach ($measures as $name => $value) {
            $x[$this->places[$name] ?? $this->unseen($name, ...$this->spreads->ofMeasure($name))] = $value;
        }
        $mean = $variance = 0.0;
        $before = [];
        foreach ($x as $place => $value) {
            $mean += $value * $this->means[$place];
            $variance += $value ** 2 * $this->variances[$place];
            foreach ($before as $other => $with) {
                $variance += 2 * $value * $with * $this->between($place, $other);
            }
            $before[$place] = $value;
        }

        return new Term($this->terms++, $x, $mean, $variance);
    }

    /**
     * Prints that the first of these levels had a part in, and how many of them went well.
     *
     * @param array<string, string> $levels by the value of an {@see EffectKind}
     *
     * @return array{int, int}
     */
    public function counted(array $levels): array
    {
        $kind = array_key_first($levels);

        return null === $kind ? [0, 0] : $this->counts["$kind\0$levels[$kind]"] ?? [0, 0];
    }

    public function expects(Situation $situation): Prediction
    {
        return Prediction::of($situation->practice, [$this->term($situation->levels, $situation->measures)], $this);
    }

    public function covariance(Term $one, Term $other): float
    {
        return $this->known[self::key($one, $other)] ??= $this->reckon($one, $other);
    }

    /**
     * @param list<Term> $terms
     *
     * @return array{float, float} mean and variance of all of them together
     */
    public function together(array $terms): array
    {
        $mean = $variance = 0.0;
        foreach ($terms as $i => $term) {
            $mean += $term->mean;
            $variance += $term->variance;
            for ($j = 0; $j < $i; ++$j) {
                $variance += 2 * ($this->known[self::key($term, $terms[$j])] ??= $this->reckon($term, $terms[$j]));
            }
        }

        return [$mean, $variance];
    }

    private static function key(Term $one, Term $other): int
    {
        return $one->number < $other->number ? $one->number << 31 | $other->number : $other->number << 31 | $one->number;
    }

    /** Asked for every side and agent: what {@see between} says stands here once more, as calls cost more than the sum. */
    private function reckon(Term $one, Term $other): float
    {
        $sum = 0.0;
        foreach ($one->x as $place => $value) {
            foreach ($other->x as $with => $times) {
                if ($place === $with) {
                    $sum += $value * $times * $this->variances[$place];
                    continue;
                }
                [$late, $early] = $place > $with ? [$place, $with] : [$with, $place];
                if (isset($this->with[$late])) {
                    if (\is_string($this->with[$late])) {
                        $this->with[$late] = self::unpacked($this->with[$late]);
                    }
                    $sum += $value * $times * ($this->with[$late][$early] ?? 0.0);
                }
            }
        }

        return $sum;
    }

    private function between(int $one, int $other): float
    {
        [$late, $early] = $one > $other ? [$one, $other] : [$other, $one];
        $row = $this->with[$late] ?? null;
        if (null === $row) {
            return 0.0;
        }
        if (\is_string($row)) {
            $row = $this->with[$late] = self::unpacked($row);
        }

        return $row[$early] ?? 0.0;
    }

    /** What was never there gets a place of its own, so that two setups may share it. */
    private function unseen(string $key, float $mean, float $spread): int
    {
        $place = $this->places[$key] = \count($this->places);
        $this->means[$place] = $mean;
        $this->variances[$place] = $spread ** 2;

        return $place;
    }

    /** @return array<int, float> */
    private static function unpacked(string $row): array
    {
        $count = intdiv(\strlen($row), 6);
        /** @var list<int> $places */
        $places = (array) unpack("v$count", $row);
        /** @var list<float> $values */
        $values = (array) unpack("g$count", $row, 2 * $count);

        return array_combine($places, $values);
    }
}
