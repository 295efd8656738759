<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;

/** What differs between the setups of a comparison, and whether a difference can be put down to one cause. */
final readonly class VariedFactors
{
    /** @param list<string> $names the factors with more than one value: surface, plate, agent, bed, bed_after */
    private function __construct(public array $names)
    {
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

        return new self($names);
    }

    /** Rungs of one ladder: the bed temperature alone differs. */
    public function ladder(): bool
    {
        return \in_array('bed', $this->names, true) && [] === array_diff($this->names, ['bed', 'bed_after']);
    }

    public function confounded(): bool
    {
        return \count($this->names) > 1;
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
            $this->confounded() => Sentence::of('varied.confounded', factors: Listing::of($this->words())),
            default => Sentence::of('varied.one', factor: $this->words()[0]),
        };
    }
}
