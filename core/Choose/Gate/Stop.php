<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Words\Sentence;

/** A limit on the bed scale: of the surface, the magnet or the printer. */
final readonly class Stop
{
    /** It limits the surface itself; the others limit what lies below it, as the display shows it. */
    public bool $onSurface;

    private function __construct(public string $kind, public float $atC, private string $of)
    {
        $this->onSurface = 'surface' === $kind;
    }

    public static function surface(string $side, float $atC): self
    {
        return new self('surface', $atC, $side);
    }

    public static function magnet(string $printer, float $atC): self
    {
        return new self('magnet', $atC, $printer);
    }

    public static function printer(string $printer, float $atC): self
    {
        return new self('printer', $atC, $printer);
    }

    public function label(): Sentence
    {
        return match ($this->kind) {
            'surface' => Sentence::of('stop.surface', side: $this->of),
            'magnet' => Sentence::of('stop.magnet', printer: $this->of),
            default => Sentence::of('stop.printer', printer: $this->of),
        };
    }
}
