<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Core\Units;

use PHPUnit\Framework\TestCase;
use Sitzplatz\Units\ForceUnit;
use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Units\PressureUnit;
use Sitzplatz\Units\TemperatureUnit;

/** Factors of NIST SP 811, appendix B (from memory). */
final class UnitsTest extends TestCase
{
    public function testForce(): void
    {
        self::assertEqualsWithDelta(9.80665, ForceUnit::KilogramForce->newtons(1), 1e-15);
        self::assertEqualsWithDelta(4.4482216152605, ForceUnit::PoundForce->newtons(1), 1e-13);
        self::assertEqualsWithDelta(12.5, ForceUnit::Newton->newtons(12.5), 0);
        // A pound-force is the standard gravity times 0.45359237 kg exactly.
        self::assertEqualsWithDelta(ForceUnit::KilogramForce->newtons(0.45359237), ForceUnit::PoundForce->newtons(1), 1e-12);
    }

    /** NIST SP 811: 1 psi = 6.894 757 E−03 MPa. */
    public function testPressureGoesWithTheForce(): void
    {
        self::assertSame([PressureUnit::PoundPerSquareInch, PressureUnit::Megapascal, PressureUnit::Megapascal], array_map(PressureUnit::beside(...), [ForceUnit::PoundForce, ForceUnit::Newton, ForceUnit::KilogramForce]));
        self::assertEqualsWithDelta(1.0, PressureUnit::PoundPerSquareInch->ofMegapascals(0.006894757), 1e-12);
        self::assertEqualsWithDelta(2.5, PressureUnit::Megapascal->ofMegapascals(2.5), 0);
    }

    public function testLengthAndTemperature(): void
    {
        // A difference of 5 K is one of 9 °F, and has no offset.
        self::assertEqualsWithDelta([9.0, 5.0], [TemperatureUnit::Fahrenheit->ofKelvin(5.0), TemperatureUnit::Celsius->ofKelvin(5.0)], 1e-12);
        self::assertEqualsWithDelta([212.0, 100.0], [TemperatureUnit::Fahrenheit->ofCelsius(100.0), TemperatureUnit::Celsius->ofCelsius(100.0)], 1e-12);
        self::assertEqualsWithDelta(25.4, LengthUnit::Inch->millimetres(1), 0);
        self::assertEqualsWithDelta(3, LengthUnit::Millimetre->millimetres(3), 0);
        self::assertEqualsWithDelta([2.0, 50.8], [LengthUnit::Inch->ofMillimetres(50.8), LengthUnit::Millimetre->ofMillimetres(50.8)], 1e-12);
        self::assertEqualsWithDelta(100, TemperatureUnit::Fahrenheit->celsius(212), 1e-12);
        self::assertEqualsWithDelta(-40, TemperatureUnit::Fahrenheit->celsius(-40), 1e-12);
        self::assertEqualsWithDelta(60, TemperatureUnit::Celsius->celsius(60), 0);
    }
}
