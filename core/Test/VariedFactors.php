<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What differs between the setups of a comparison, and whether a difference can be put down to one cause. */
final readonly class VariedFactors
{
    /** What grips more or less along one scale. */
    private const SCALES = ['bed', 'exposure', 'gap', 'nozzle', 'speed'];
    private const MOST_PAIRS_NAMED = 4;

    private function __construct(
        /** @var list<string> the factors with more than one value: material, lot, surface, plate, agent, bed and so on */
        public array $names,
        /** Several factors, each value of one with each of the others: what each of them does can be told apart. */
        public bool $crossed,
        /** @var list<array{int, int, string}> pairs of setups, by their places, that differ in one factor alone, and which */
        private array $pairs,
    ) {
    }

    /**
     * @param list<array<string, string|float|null>> $setups the same factor names in each
     */
    public static function between(array $setups): self
    {
        $names = [];
        foreach (array_keys($setups[0] ?? []) as $name) {
            $values = array_map(static fn (array $setup): string => (string) ($setup[$name] ?? ''), $setups);
            if (\count(array_unique($values)) > 1) {
                $names[] = $name;
            }
        }

        // A bed that stays as it is in the first layer is one factor, not two.
        $stays = array_filter($setups, static fn (array $setup): bool => ($setup['bed'] ?? null) !== ($setup['bed_after'] ?? null));

        $names = [] === $stays ? array_values(array_diff($names, ['bed_after'])) : $names;

        return new self($names, self::isCrossed($setups, $names), self::oneApart($setups, $names));
    }

    /** Rungs of one ladder: one thing alone differs that grips more or less along a scale. */
    public function ladder(): bool
    {
        $names = \in_array('bed', $this->names, true) ? array_values(array_diff($this->names, ['bed_after'])) : $this->names;

        return 1 === \count($names) && \in_array($names[0], self::SCALES, true);
    }

    /**
     * How strongly a setup grips by where it stands on the ladder, larger where practice says that it grips more: hotter, nearer, longer exposed.
     *
     * @param array<string, string|float|null> $setup
     *
     * @return float|null null: no ladder, or practice does not agree on its direction (first-layer speed)
     */
    public function grip(array $setup): ?float
    {
        $at = $setup[(string) $this->scale()] ?? null;

        return \is_float($at) ? match ($this->scale()) {
            'bed', 'exposure', 'nozzle' => $at,
            'gap' => -$at,
            default => null,
        } : null;
    }

    /** The scale of the ladder; null: there is none. */
    public function scale(): ?string
    {
        return $this->ladder() ? $this->names[0] : null;
    }

    public function confounded(): bool
    {
        return \count($this->names) > 1 && !$this->crossed;
    }

    /**
     * @param array<string, string|float|null> $setup
     *
     * @return list<string> what it has of each factor that varies
     */
    public function levels(array $setup): array
    {
        return array_map(static fn (string $name): string => (string) ($setup[$name] ?? ''), $this->names);
    }

    /** @return list<Sentence> */
    public function words(): array
    {
        return array_map(static fn (string $factor): Sentence => Sentence::of('factor.'.$factor), $this->names);
    }

    public function sentence(): Sentence
    {
        return match (true) {
            [] === $this->names => Sentence::of('varied.nothing'),
            $this->crossed => Sentence::of('varied.crossed', factors: Listing::of($this->words())),
            $this->confounded() && [] !== $this->pairs => Sentence::of(
                'varied.some_pairs',
                factors: Listing::of($this->words()),
                pairs: Listing::of(array_map(self::pair(...), \array_slice($this->pairs, 0, self::MOST_PAIRS_NAMED)), Joined::Comma),
                more: Quantity::count(max(0, \count($this->pairs) - self::MOST_PAIRS_NAMED)),
            ),
            $this->confounded() => Sentence::of('varied.confounded', factors: Listing::of($this->words())),
            default => Sentence::of('varied.one', factor: $this->words()[0]),
        };
    }

    /** @param array{int, int, string} $pair */
    private static function pair(array $pair): Sentence
    {
        return Sentence::of('varied.pair', a: SetupLabel::at($pair[0]), b: SetupLabel::at($pair[1]), factor: Sentence::of('factor.'.$pair[2]));
    }

    /**
     * @param list<array<string, string|float|null>> $setups
     * @param list<string>                           $names
     *
     * @return list<array{int, int, string}>
     */
    private static function oneApart(array $setups, array $names): array
    {
        $pairs = [];
        foreach ($setups as $a => $one) {
            foreach (\array_slice($setups, $a + 1, null, true) as $b => $other) {
                $apart = array_values(array_filter($names, static fn (string $name): bool => (string) ($one[$name] ?? '') !== (string) ($other[$name] ?? '')));
                if (1 === \count($apart)) {
                    $pairs[] = [$a, $b, $apart[0]];
                }
            }
        }

        return $pairs;
    }

    /**
     * @param list<array<string, string|float|null>> $setups
     * @param list<string>                           $names
     */
    private static function isCrossed(array $setups, array $names): bool
    {
        $combinations = 1;
        foreach ($names as $name) {
            $combinations *= \count(array_unique(array_map(static fn (array $setup): string => (string) ($setup[$name] ?? ''), $setups)));
        }
        $seen = array_unique(array_map(
            static fn (array $setup): string => serialize(array_map(static fn (string $name): string => (string) ($setup[$name] ?? ''), $names)),
            $setups,
        ));

        return \count($names) > 1 && $combinations === \count($seen);
    }
}
