<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Words\Sentence;

/** What may hold better or worse than practice knows, each by its own. Pairs, sides and lots are of one material; the rest is shared by all. */
enum EffectKind: string
{
    /** Of a material, a surface and an agent: the grade itself is wrong here. */
    case Pair = 'pair';
    /** The same of which nobody but its maker speaks. */
    case Chart = 'chart';
    case Surface = 'surface';
    case Agent = 'agent';
    case Side = 'side';
    case Sheet = 'sheet';
    case Printer = 'printer';
    /** A printer between two changes. */
    case Epoch = 'epoch';
    case Lot = 'lot';
    /** A test, or a print for use. */
    case Purpose = 'purpose';

    /** Standard deviation on log-odds, before the shop has shown its own (ours; the first by what practitioners' charts differ by). */
    public function usualSpread(): float
    {
        return match ($this) {
            self::Pair => 1.0,
            self::Chart => 1.4,
            self::Sheet => 0.4,
            self::Lot => 0.35,
            self::Side, self::Printer, self::Epoch => 0.3,
            self::Surface, self::Agent, self::Purpose => 0.3,
        };
    }

    /** Which one of its kind, of a material first where it is of one. */
    public function level(string $material, string $name): string
    {
        return $this->isOfOneMaterial() ? "$material\0$name" : $name;
    }

    /** The name of a level, as far as it says something of a material; null: it is of another. */
    public function nameIn(string $level, string $material): ?string
    {
        if (!$this->isOfOneMaterial()) {
            return $level;
        }

        return str_starts_with($level, "$material\0") ? substr($level, \strlen($material) + 1) : null;
    }

    /** Whether it says nothing of another material. */
    public function isOfOneMaterial(): bool
    {
        return \in_array($this, [self::Pair, self::Chart, self::Side, self::Lot], true);
    }

    /** What to do where it does better, or worse, than practice knows; null: nothing. */
    public function advice(bool $better): ?Sentence
    {
        return match (true) {
            self::Pair === $this, self::Chart === $this => Sentence::of('learned.advice.grade'),
            $better => null,
            self::Sheet === $this => Sentence::of('learned.advice.sheet'),
            self::Side === $this => Sentence::of('learned.advice.side'),
            self::Printer === $this, self::Epoch === $this => Sentence::of('learned.advice.printer'),
            self::Lot === $this => Sentence::of('learned.advice.lot'),
            default => null,
        };
    }
}
