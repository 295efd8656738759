<?php

declare(strict_types=1);

namespace Sitzplatz\Tests;

/**
 * One table of figures as they are shown, held against the server and against the interface; conversions from NIST SP 811
 * (from memory), numbers and dates as the locale writes them (Unicode CLDR).
 */
final class ShownFigures
{
    /** What is shown, in the units it is held in. */
    public const VALUES = [
        'temperature' => 60.5, 'temperature_about' => 38.26, 'force' => 17.84, 'length' => 0.2046, 'length_rough' => 1234.5, 'area' => 645.16,
        'stress' => 1.0449, 'speed' => 50.8, 'share' => 0.954, 'money' => 1.5, 'count' => 50097.0,
    ];

    /** @return array<string, array{preferences: array<string, string>, shown: array<string, string>}> */
    public static function rows(): array
    {
        return [
            'metric, British' => [
                'preferences' => ['temperature' => '°C', 'force' => 'N', 'length' => 'mm', 'locale' => 'en-GB'],
                'shown' => [
                    'temperature' => '60.5 °C', 'temperature_about' => '38 °C', 'force' => '17.8 N', 'length' => '0.2 mm', 'length_rough' => '1,235 mm',
                    'area' => '645 mm²', 'stress' => '1.04 MPa', 'speed' => '51 mm/s', 'share' => '95 %', 'money' => '1.50', 'count' => '50,097',
                    'duration' => '10 h 05 min', 'day' => '25 Nov 2026',
                ],
            ],
            'pounds and inches, American' => [
                'preferences' => ['temperature' => '°F', 'force' => 'lbf', 'length' => 'in', 'locale' => 'en-US'],
                'shown' => [
                    'temperature' => '140.9 °F', 'temperature_about' => '101 °F', 'force' => '4.01 lbf', 'length' => '0.0081 in', 'length_rough' => '48.6 in',
                    'area' => '1 in²', 'stress' => '152 psi', 'speed' => '2 in/s', 'share' => '95 %', 'money' => '1.50', 'count' => '50,097',
                    'duration' => '10 h 05 min', 'day' => 'Nov 25, 2026',
                ],
            ],
            'kilograms, German' => [
                'preferences' => ['temperature' => '°C', 'force' => 'kgf', 'length' => 'mm', 'locale' => 'de-DE'],
                'shown' => [
                    'temperature' => '60,5 °C', 'temperature_about' => '38 °C', 'force' => '1,82 kgf', 'length' => '0,2 mm', 'length_rough' => '1.235 mm',
                    'area' => '645 mm²', 'stress' => '1,04 MPa', 'speed' => '51 mm/s', 'share' => '95 %', 'money' => '1,50', 'count' => '50.097',
                    'duration' => '10 h 05 min', 'day' => '25.11.2026',
                ],
            ],
        ];
    }
}
