<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Test\Outcome;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What came of the prints for use of some months: how many held and let go, what the others cost in time, and what all took of plates and coats. */
final readonly class ShopReport
{
    /**
     * @param array<string, ReportLine> $months    the oldest first
     * @param array<string, ReportLine> $materials by id, the most printed first
     * @param array<string, int>        $ends      prints by how they ended, as {@see Outcome} has it
     */
    private function __construct(public ReportLine $all, public array $months, public array $materials, public array $ends)
    {
    }

    /** @param list<PrintedInMonth> $printed */
    public static function of(array $printed): self
    {
        $ends = array_fill_keys(array_map(static fn (Outcome $outcome): string => $outcome->value, Outcome::cases()), 0);
        $months = $materials = [];
        foreach ($printed as $each) {
            $ends[$each->outcome->value] += $each->prints;
            $months[$each->month][] = $each;
            $materials[$each->materialId][] = $each;
        }
        ksort($months);
        $lines = array_map(ReportLine::of(...), $materials);
        uasort($lines, static fn (ReportLine $a, ReportLine $b): int => $b->prints <=> $a->prints);

        return new self(ReportLine::of($printed), array_map(ReportLine::of(...), $months), $lines, $ends);
    }

    /** What bed and chamber took; null: it is known of no print. */
    public function energy(): ?Sentence
    {
        return 0 === $this->all->energyKnown ? null : Sentence::of(
            'report.energy',
            kwh: Quantity::number($this->all->energyWh / 1000, 1),
            known: Quantity::count($this->all->energyKnown),
            prints: Quantity::count($this->all->prints),
        );
    }

    public function sentence(): Sentence
    {
        return 0 === $this->all->prints ? Sentence::of('report.nothing') : Sentence::of(
            'report.in_short',
            prints: Quantity::count($this->all->prints),
            came: Quantity::count($this->all->cameTrue),
            share: Quantity::share($this->all->cameTrue / $this->all->prints),
            lost: Quantity::minutes($this->all->lostMinutes),
        );
    }
}
