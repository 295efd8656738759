<?php

declare(strict_types=1);

namespace Sitzplatz\Heat;

/**
 * Whether a heater and what switches it are up to a temperature. Practice asks for 0.2 W/cm² for 60 °C and 0.6 W/cm² for
 * 120 °C; between them and beyond the sum goes on in a straight line. Current = power ÷ voltage.
 */
final readonly class HeaterCheck
{
    /** Above this a shock can kill, V: the limit of extra-low voltage for alternating current (common practice). */
    private const TOUCHABLE_V = 50.0;

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

    public static function of(float $heaterW, float $widthMm, float $depthMm, float $bedC, ?float $volts, ?float $limitA): self
    {
        foreach (['heaterW' => $heaterW, 'widthMm' => $widthMm, 'depthMm' => $depthMm] as $field => $value) {
            $value > 0 || throw BadHeat::notPositive($field, 'It');
        }
        if (null !== $volts && $volts <= 0) {
            throw BadHeat::notPositive('heaterV', 'The voltage');
        }
        $density = $heaterW / ($widthMm * $depthMm / 100);
        $needed = max(0.0, 0.2 + ($bedC - 60) * 0.4 / 60);
        $current = null === $volts ? null : $heaterW / $volts;

        return new self(
            $density,
            $needed,
            $density >= $needed - 1e-9,
            $current,
            null === $current || null === $limitA ? null : $current <= $limitA,
            null !== $volts && $volts > self::TOUCHABLE_V,
        );
    }

    /** @return list<string> */
    public function cautions(): array
    {
        return array_values(array_filter([$this->overload(), $this->mainsCaution()]));
    }

    /** Null while what switches the heater is up to it, as far as is known. */
    public function overload(): ?string
    {
        return false === $this->currentAllowed
            ? \sprintf('The heater draws %.1f A, more than its output may carry: use a relay or a separate supply that is rated for it.', $this->currentA) : null;
    }

    /** For whoever works on the heater, not for whoever prints. */
    public function mainsCaution(): ?string
    {
        return $this->mains
            ? 'Mains voltage kills: unplug before touching, protective earth on bed and frame, a thermal fuse, and work on it only by a qualified person under local codes.' : null;
    }
}
