<?php

declare(strict_types=1);

namespace Sitzplatz\Choose\Gate;

use Sitzplatz\Words\Sentence;

/** A limit on the bed scale: of the surface, the magnet or the printer. */
final readonly class Stop
{
    private function __construct(
        public string $kind,
        public float $atC,
        /** It limits the surface itself; the others limit what lies below it, as the display shows it. */
        public bool $onSurface,
        private string $of,
    ) {
    }

    public static function surface(string $side, float $atC): self
    {
        return new self('surface', $atC, true, $side);
    }

    public static function magnet(string $printer, float $atC): self
    {
        return new self('magnet', $atC, false, $printer);
    }

    public static function printer(string $printer, float $atC): self
    {
        return new self('printer', $atC, false, $printer);
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
