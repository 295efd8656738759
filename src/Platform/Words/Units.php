<?php

declare(strict_types=1);

namespace App\Platform\Words;

use Sitzplatz\Units\ForceUnit;
use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Units\TemperatureUnit;

/** The units in which somebody reads. */
final readonly class Units
{
    public function __construct(
        public TemperatureUnit $temperature = TemperatureUnit::Celsius,
        public ForceUnit $force = ForceUnit::Newton,
        public LengthUnit $length = LengthUnit::Millimetre,
    ) {
    }

    /** @param array<string, string|bool> $preferences temperature, force, length; what is missing or unknown is SI */
    public static function preferred(array $preferences): self
    {
        return new self(
            TemperatureUnit::tryFrom((string) ($preferences['temperature'] ?? '')) ?? TemperatureUnit::Celsius,
            ForceUnit::tryFrom((string) ($preferences['force'] ?? '')) ?? ForceUnit::Newton,
            LengthUnit::tryFrom((string) ($preferences['length'] ?? '')) ?? LengthUnit::Millimetre,
        );
    }

    /** @param string $list symbols with commas between them, such as "°F,lbf,in" or "F,lbf,in"; null if one is unknown */
    public static function named(string $list): ?self
    {
        $preferences = [];
        foreach (array_filter(array_map(trim(...), explode(',', $list)), static fn (string $symbol): bool => '' !== $symbol) as $symbol) {
            $degrees = \in_array($symbol, ['C', 'F'], true) ? '°'.$symbol : $symbol;
            $kind = match (true) {
                null !== TemperatureUnit::tryFrom($degrees) => 'temperature',
                null !== ForceUnit::tryFrom($symbol) => 'force',
                null !== LengthUnit::tryFrom($symbol) => 'length',
                default => null,
            };
            if (null === $kind) {
                return null;
            }
            $preferences[$kind] = 'temperature' === $kind ? $degrees : $symbol;
        }

        return self::preferred($preferences);
    }
}
