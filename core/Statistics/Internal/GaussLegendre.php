<?php

declare(strict_types=1);

namespace Sitzplatz\Statistics\Internal;

/** Twenty points of Gauss–Legendre on (−1, 1): exact for polynomials to degree 39 (Golub & Welsch 1969, reckoned with R's eigen). */
final class GaussLegendre
{
    private const HALF = [
        [0.0765265211334973, 0.1527533871307258],
        [0.2277858511416451, 0.1491729864726037],
        [0.3737060887154195, 0.1420961093183820],
        [0.5108670019508271, 0.1316886384491766],
        [0.6360536807265150, 0.1181945319615184],
        [0.7463319064601508, 0.1019301198172404],
        [0.8391169718222188, 0.0832767415767048],
        [0.9122344282513259, 0.0626720483341091],
        [0.9639719272779138, 0.0406014298003869],
        [0.9931285991850949, 0.0176140071391521],
    ];

    /** @var list<array{float, float}> */
    private static array $points = [];

    /** @return list<array{float, float}> point and weight */
    public static function points(): array
    {
        if ([] === self::$points) {
            foreach (self::HALF as [$at, $weight]) {
                self::$points[] = [$at, $weight];
                self::$points[] = [-$at, $weight];
            }
        }

        return self::$points;
    }
}
