<?php

declare(strict_types=1);

namespace Sitzplatz\Judge\Method;

use Sitzplatz\Words\UnusableKey;

/** All methods by which setups are compared: those that every comparison shows, and those that were added. */
final readonly class Methods
{
    /** @var array<string, StatisticalMethod> */
    public array $byKey;

    /** @param iterable<StatisticalMethod> $methods the usual two among them */
    public function __construct(iterable $methods = [new Welch(), new GamesHowellPairs()])
    {
        $byKey = [];
        foreach ($methods as $method) {
            if (isset($byKey[$method->key()])) {
                throw UnusableKey::of($method->key());
            }
            $byKey[$method->key()] = $method;
        }
        $this->byKey = $byKey;
    }

    /** @return list<string> keys of those beyond the usual two */
    public function added(): array
    {
        return array_values(array_diff(array_keys($this->byKey), [Welch::KEY, GamesHowellPairs::KEY]));
    }
}
