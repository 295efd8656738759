<?php

declare(strict_types=1);

namespace Sitzplatz\Keep;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What a shop prints against what it has proven: the gaps in the order of the prints that are at stake. */
final readonly class Coverage
{
    /**
     * @param list<Printed> $gaps what nothing vouches for, the most printed first
     */
    private function __construct(public int $prints, public int $covered, public array $gaps)
    {
    }

    /**
     * @param list<Printed>    $printed
     * @param list<SignedSeat> $signed
     */
    public static function of(array $printed, array $signed): self
    {
        $covered = 0;
        $gaps = [];
        foreach ($printed as $each) {
            if ([] !== array_filter($signed, static fn (SignedSeat $seat): bool => $seat->covers($each))) {
                $covered += $each->prints;
            } else {
                $gaps[] = $each;
            }
        }
        usort($gaps, static fn (Printed $a, Printed $b): int => $b->prints <=> $a->prints);

        return new self(array_sum(array_map(static fn (Printed $each): int => $each->prints, $printed)), $covered, $gaps);
    }

    public function sentence(): Sentence
    {
        return 0 === $this->prints ? Sentence::of('coverage.nothing') : Sentence::of(
            'coverage.share',
            share: Quantity::share($this->covered / $this->prints),
            prints: Quantity::count($this->prints),
            gaps: Quantity::count(\count($this->gaps)),
        );
    }
}
