<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** Something of which a shop's own prints say, rather surely, that it does better or worse than practice knows; with the prints that say so. */
final readonly class Lesson
{
    /** That it is on this side at all, of 100: standard deviations for 90 (one-sided). */
    private const SURE = 1.2816;
    /** Nobody is told that anything is certain. */
    private const SUREST_SAID = 0.99;
    /** Fewer points move nobody to do anything (ours). */
    private const POINTS = 0.02;

    private function __construct(
        public EffectKind $kind,
        /** Which one of its kind, of a material first where it is of one, parted by "\0". */
        public string $name,
        /** Prints that it had a part in, and how many of these did. */
        public int $prints,
        public int $well,
        /** What these prints had been given without it, and with it: means of chances. */
        public float $without,
        public float $with,
        /** The chance that it is on this side at all. */
        public float $surely,
    ) {
    }

    /**
     * @param list<Answered> $answers of which the shop learned
     *
     * @return list<self> the surest first
     */
    public static function of(Shop $shop, array $answers): array
    {
        $sure = $sums = [];
        foreach ($shop->effects() as $effect) {
            if (null !== $effect->kind && $effect->surely() >= self::SURE) {
                $sure["{$effect->kind->value}\0$effect->name"] = $effect;
            }
        }
        foreach ($answers as $answer) {
            $at = $shop->logOdds($answer->situation);
            foreach ($answer->situation->levels as $kind => $level) {
                $effect = $sure["$kind\0$level"] ?? null;
                if (null !== $effect) {
                    $sum = $sums["$kind\0$level"] ?? [0, 0, 0.0, 0.0];
                    $sums["$kind\0$level"] = [
                        $sum[0] + 1,
                        $sum[1] + (int) $answer->well,
                        $sum[2] + LogisticNormal::logistic($at - $effect->worth),
                        $sum[3] + LogisticNormal::logistic($at),
                    ];
                }
            }
        }
        $lessons = [];
        foreach ($sums as $key => [$prints, $well, $without, $with]) {
            if (abs($with - $without) >= self::POINTS * $prints) {
                $effect = $sure[$key];
                \assert(null !== $effect->kind);
                $surely = min(self::SUREST_SAID, $effect->sureness());
                $lessons[] = new self($effect->kind, $effect->name, $prints, $well, $without / $prints, $with / $prints, $surely);
            }
        }
        usort($lessons, static fn (self $a, self $b): int => $b->surely <=> $a->surely);

        return $lessons;
    }

    /**
     * @param array{kind: string, names: list<string>, prints: int, well: int, without: float, with: float, surely: float} $kept by {@see toArray}
     */
    public static function kept(array $kept): self
    {
        return new self(
            EffectKind::from($kept['kind']),
            implode("\0", $kept['names']),
            $kept['prints'],
            $kept['well'],
            $kept['without'],
            $kept['with'],
            $kept['surely'],
        );
    }

    /** @return array{kind: string, names: list<string>, prints: int, well: int, without: float, with: float, surely: float} */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'names' => explode("\0", $this->name),
            'prints' => $this->prints,
            'well' => $this->well,
            'without' => $this->without,
            'with' => $this->with,
            'surely' => $this->surely,
        ];
    }

    /** How many of its prints would have gone well without it. */
    public function expected(): float
    {
        return $this->without * $this->prints;
    }

    /** In a sentence with {well}, {prints} and {expected}. */
    public function told(string $key): Sentence
    {
        return Sentence::of(
            $key,
            well: Quantity::count($this->well),
            prints: Quantity::count($this->prints),
            expected: Quantity::count((int) round($this->expected())),
        );
    }

    public function better(): bool
    {
        return $this->with > $this->without;
    }
}
