<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Words\Joined;
use Sitzplatz\Words\Listing;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\UnusableKey;

/** All measures that there are: those that rules rest on, and those that were added. */
final readonly class Measures
{
    /** @var array<string, Measured> */
    private array $byKey;

    /** @param iterable<Measured> $added */
    public function __construct(iterable $added = [])
    {
        $byKey = [];
        foreach ([...Measure::cases(), ...$added] as $measure) {
            if (isset($byKey[$measure->key()]) || 1 !== preg_match('/^[a-z][a-z0-9_]{0,19}$/', $measure->key())) {
                throw UnusableKey::of($measure->key());
            }
            $byKey[$measure->key()] = $measure;
        }
        $this->byKey = $byKey;
    }

    public function of(string $key): ?Measured
    {
        return $this->byKey[$key] ?? null;
    }

    /** What to say of a key that somebody gave and there is no measure of. */
    public function none(string $given): Sentence
    {
        return Sentence::of('table.measure', given: $given, measures: Listing::of(array_keys($this->byKey), Joined::Comma));
    }

    /** @throws UnusableKey if there is none, as in a record whose measure was taken away */
    public function named(string $key): Measured
    {
        return $this->of($key) ?? throw UnusableKey::of($key);
    }

    /** @return list<Measured> beyond those that rules rest on */
    public function added(): array
    {
        return array_values(array_filter($this->byKey, static fn (Measured $measure): bool => !$measure instanceof Measure));
    }
}
