<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Units\ForceUnit;
use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Units\TemperatureUnit;
use Sitzplatz\Words\Sentence;

/** What is read off a part; stored in N, mm, °C, min, or as a plain number. */
enum Measure: string
{
    case PullHot = 'pull_hot';
    case PullCold = 'pull_cold';
    case Lift = 'lift';
    case Held = 'held';
    case Effort = 'effort';
    case ReleaseTemperature = 'release_temp';
    case Damage = 'damage';
    /** How long the print took, as a table tells; made here, it is measured by the stamps of the steps. */
    case PrintMinutes = 'print_minutes';

    /** @return list<string> units that may be entered, the stored one first */
    public function units(): array
    {
        return match ($this) {
            self::PullHot, self::PullCold => array_column(ForceUnit::cases(), 'value'),
            self::Lift => array_column(LengthUnit::cases(), 'value'),
            self::ReleaseTemperature => array_column(TemperatureUnit::cases(), 'value'),
            self::PrintMinutes => ['min'],
            self::Held, self::Effort, self::Damage => [''],
        };
    }

    /** Whether a reading of it can be a lower bound. */
    public function canBeAtLeast(): bool
    {
        return self::PullHot === $this || self::PullCold === $this;
    }

    public function words(): Sentence
    {
        return Sentence::of('measure.'.$this->value);
    }

    public function isForce(): bool
    {
        return self::PullHot === $this || self::PullCold === $this;
    }

    /**
     * The stored value of what was entered.
     *
     * @throws BadReading if the unit does not belong to the measure, or the value cannot be
     */
    public function stored(float $value, string $unit): float
    {
        if (!\in_array($unit, $this->units(), true)) {
            throw BadReading::unit($this, $unit);
        }
        if (!is_finite($value)) {
            throw BadReading::value($this, Sentence::of('reading.wanted.number'));
        }
        $fits = match ($this) {
            self::PullHot, self::PullCold => $value >= 0 && $value <= 1e6,
            self::Lift => $value >= 0 && $value <= 100,
            self::Held, self::Damage => \in_array($value, [0.0, 1.0], true),
            self::Effort => \in_array($value, [0.0, 1.0, 2.0, 3.0, 4.0], true),
            self::ReleaseTemperature => $value >= -60 && $value <= 600,
            self::PrintMinutes => $value > 0 && $value <= 60_000,
        };
        if (!$fits) {
            throw BadReading::value($this, Sentence::of('reading.wanted.'.$this->value));
        }

        return match ($this) {
            self::PullHot, self::PullCold => ForceUnit::from($unit)->newtons($value),
            self::Lift => LengthUnit::from($unit)->millimetres($value),
            self::ReleaseTemperature => TemperatureUnit::from($unit)->celsius($value),
            default => $value,
        };
    }
}
