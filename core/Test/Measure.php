<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

use Sitzplatz\Units\ForceUnit;
use Sitzplatz\Units\LengthUnit;
use Sitzplatz\Units\TemperatureUnit;
use Sitzplatz\Words\Sentence;
use Sitzplatz\Words\Shown;

/** The measures that rules rest on; stored in N, mm, °C, min, or as a plain number. */
enum Measure: string implements Measured
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

    public function key(): string
    {
        return $this->value;
    }

    public function scale(): MeasureScale
    {
        return match ($this) {
            self::PullHot, self::PullCold, self::Lift, self::ReleaseTemperature, self::PrintMinutes => MeasureScale::Continuous,
            self::Effort => MeasureScale::Ordinal,
            self::Held, self::Damage => MeasureScale::YesNo,
        };
    }

    public function shown(): Shown
    {
        return match ($this) {
            self::PullHot, self::PullCold => Shown::Force,
            self::Lift => Shown::Length,
            self::ReleaseTemperature => Shown::Temperature,
            self::PrintMinutes, self::Held, self::Effort, self::Damage => Shown::Number,
        };
    }

    public function levels(): array
    {
        return self::Effort === $this ? array_map(static fn (Effort $effort): Sentence => $effort->words(), Effort::cases()) : [];
    }

    public function places(): int
    {
        return self::Lift === $this ? 8 : 1;
    }

    public function step(): RunStep
    {
        return match ($this) {
            self::Held, self::PrintMinutes => RunStep::FirstLayer,
            self::PullHot => RunStep::HotPull,
            self::PullCold => RunStep::ColdPull,
            self::ReleaseTemperature => RunStep::Cool,
            self::Lift, self::Effort, self::Damage => RunStep::Inspect,
        };
    }

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
