<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * Whether a heater and what switches it are up to a temperature. Practice asks for 0.2 W/cm² for 60 °C and 0.6 W/cm² for
 * 120 °C; between them and beyond the sum goes on in a straight line. Current = power ÷ voltage.
 */
final readonly class HeaterCheck
{
    /** Above this a shock can kill, V: the limit of extra-low voltage for alternating current (common practice). */
    private const TOUCHABLE_V = 50.0;
    /** What a display is set to for a surface is no whole degree; half of one is no difference to a heater, K. */
    private const NO_DIFFERENCE_K = 0.5;

    private function __construct(
        public float $wattsPerCm2,
        /** By practice, W/cm². */
        public float $neededWattsPerCm2,
        public bool $enough,
        /** Null if the voltage is not known. */
        public ?float $currentA,
        /** Null if current or limit are not known. */
        public ?bool $currentAllowed,
        public bool $mains,
    ) {
    }

    /** @throws BadHeat if a figure cannot be */
    public static function of(float $heaterW, float $areaCm2, float $bedC, ?float $volts, ?float $limitA): self
    {
        foreach (['heaterW' => $heaterW, 'areaCm2' => $areaCm2] as $field => $value) {
            $value > 0 || throw BadHeat::notPositive($field);
        }
        if (null !== $volts && $volts <= 0) {
            throw BadHeat::notPositive('heaterV');
        }
        $density = $heaterW / $areaCm2;
        $needed = self::neededWattsPerCm2($bedC);
        $enough = $density >= self::neededWattsPerCm2($bedC - self::NO_DIFFERENCE_K) - 1e-9;
        $current = null === $volts ? null : $heaterW / $volts;

        return new self(
            $density,
            $needed,
            $enough,
            $current,
            null === $current || null === $limitA ? null : $current <= $limitA,
            null !== $volts && $volts > self::TOUCHABLE_V,
        );
    }

    /**
     * Through what practice tells: 0.2 W/cm² suffice for 60 °C, 0.6 for 120 °C, and a mat of 150 W on 150 × 150 mm, which
     * is 0.67, reaches 150 °C (trade notes, section 11); straight in between, and beyond as between the last two.
     */
    public static function neededWattsPerCm2(float $bedC): float
    {
        return $bedC <= 120.0 ? max(0.0, 0.2 + ($bedC - 60) * 0.4 / 60) : 0.6 + ($bedC - 120) * (150 / 225 - 0.6) / 30;
    }

    /** @return list<Sentence> */
    public function cautions(): array
    {
        return array_values(array_filter([$this->overload(), $this->mainsCaution()]));
    }

    /** Null while what switches the heater is up to it, as far as is known. */
    public function overload(): ?Sentence
    {
        return false === $this->currentAllowed && null !== $this->currentA
            ? Sentence::of($this->mains ? 'heater.overload_mains' : 'heater.overload', current: Quantity::amperes($this->currentA)) : null;
    }

    /** For whoever works on the heater, not for whoever prints. */
    public function mainsCaution(): ?Sentence
    {
        return $this->mains
            ? Sentence::of('caution.mains') : null;
    }
}
