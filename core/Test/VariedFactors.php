<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/** What differs between the setups of a comparison, and whether a difference can be put down to one cause. */
final readonly class VariedFactors
{
    /** @param list<string> $names the factors with more than one value */
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

    public function confounded(): bool
    {
        return \count($this->names) > 1;
    }

    public function sentence(): string
    {
        return match (true) {
            [] === $this->names => 'Nothing differs between the setups.',
            $this->confounded() => \sprintf(
                'The setups differ in %s: whole setups can be judged, but a difference cannot be put down to one of these.',
                implode(' and ', [implode(', ', \array_slice($this->names, 0, -1)), $this->names[\count($this->names) - 1]]),
            ),
            default => \sprintf('Only the %s differs, so a difference comes from it.', $this->names[0]),
        };
    }
}
