<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\UnusableKey;

/** The steps of every run sheet: those that the rules know, with the added ones among them. */
final readonly class Steps
{
    /** @var array<string, AddedStep> */
    private array $added;

    /** @param iterable<AddedStep> $added */
    public function __construct(iterable $added = [])
    {
        $byKey = [];
        foreach ($added as $step) {
            $key = $step->key();
            if (null !== RunStep::tryFrom($key) || isset($byKey[$key]) || 1 !== preg_match('/^[a-z][a-z_]{0,19}$/', $key)) {
                throw UnusableKey::of($step->key());
            }
            $byKey[$step->key()] = $step;
        }
        $this->added = $byKey;
    }

    public function of(string $key): ?SheetStep
    {
        return RunStep::tryFrom($key) ?? $this->added[$key] ?? null;
    }

    /**
     * The steps of a run in order; a part that came off or was lost in the print is not pulled.
     *
     * @return list<SheetStep>
     */
    public function sequence(PullKind $pull, bool $pullPossible = true, bool $filament = true): array
    {
        $steps = [];
        foreach (RunStep::sequence($pull, $pullPossible, $filament) as $step) {
            array_push($steps, $step, ...array_values(array_filter($this->added, static fn (AddedStep $added): bool => $added->after() === $step)));
        }

        return $steps;
    }

    /** @return list<AddedStep> */
    public function added(): array
    {
        return array_values($this->added);
    }
}
