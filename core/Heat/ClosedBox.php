<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/** The air of a closed printer: the bed warms it, and once the bed cools it comes down slowly, since the case and all in it are warm. */
final readonly class ClosedBox
{
    /** A closed box without a heater of its own settles at so much of the way from room to bed (from memory). */
    public const SHARE = 0.35;
    /** Two thirds of the way down take an hour (from memory). */
    private const SETTLES_S = 3600.0;

    public function __construct(public float $airC, public float $roomC)
    {
    }

    /** As it stands over a bed that has been warm for long. */
    public static function over(float $surfaceC, float $roomC): self
    {
        return new self(self::settledC($surfaceC, $roomC), $roomC);
    }

    public static function settledC(float $surfaceC, float $roomC): float
    {
        return $roomC + self::SHARE * max(0.0, $surfaceC - $roomC);
    }

    /** After so many seconds over a surface of this temperature. */
    public function after(float $seconds, float $surfaceC): self
    {
        $step = $seconds / self::SETTLES_S;

        return new self(($this->airC + $step * self::settledC($surfaceC, $this->roomC)) / (1 + $step), $this->roomC);
    }
}
