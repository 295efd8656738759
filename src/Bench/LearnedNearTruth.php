<?php

declare(strict_types=1);

namespace App\Bench;

use Sitzplatz\Evidence\Learned\Retrospect;
use Sitzplatz\Statistics\LogisticNormal;

/** What was said of prints, beside the chances that they truly had. */
final readonly class LearnedNearTruth
{
    /** Neither nought nor one has a logarithm. */
    private const SUREST = 1 - 1e-6;

    /** @param array<int, array{int, float}> $bins by tenth of what was said: prints, and what is true less what was said, summed */
    private function __construct(
        /** Expected log scores, of who knows the truth, of what is learned, and of a running share of each setup. */
        public float $oracle,
        public float $learned,
        public float $running,
        /** Share of the ranges of 90 % that hold what is true. */
        public float $inRange,
        /** Mean of these ranges. */
        public float $width,
        public array $bins,
    ) {
    }

    /**
     * @param list<float>         $true    of each line
     * @param non-empty-list<int> $counted places of lines
     */
    public static function of(Retrospect $told, array $true, array $counted): self
    {
        $loss = static function (array $said) use ($true, $counted): float {
            $sum = 0.0;
            foreach ($counted as $i) {
                $p = min(self::SUREST, max(1 - self::SUREST, (float) $said[$i]));
                $sum -= $true[$i] * log($p) + (1 - $true[$i]) * log(1 - $p);
            }

            return $sum / \count($counted);
        };
        $said = array_map(static fn (LogisticNormal $each): float => $each->share(), $told->expected);
        $in = $width = 0.0;
        $bins = [];
        foreach ($counted as $i) {
            $range = $told->expected[$i]->interval();
            $in += $range->low <= $true[$i] && $true[$i] <= $range->high ? 1 : 0;
            $width += $range->high - $range->low;
            $bin = min(9, (int) (10 * $said[$i]));
            $bins[$bin] = [($bins[$bin][0] ?? 0) + 1, ($bins[$bin][1] ?? 0.0) + $true[$i] - $said[$i]];
        }
        ksort($bins);

        return new self($loss($true), $loss($said), $loss($told->running()), $in / \count($counted), $width / \count($counted), $bins);
    }

    /** Of what a running share loses against who knows the truth. */
    public function had(): float
    {
        return ($this->running - $this->learned) / ($this->running - $this->oracle);
    }

    public function words(): string
    {
        return \sprintf(
            "log score: oracle %.4f, learned %.4f, running share %.4f: %.2f of what it loses is had; ranges hold %.1f %%, %.1f points wide\n%26s %s",
            $this->oracle,
            $this->learned,
            $this->running,
            $this->had(),
            100 * $this->inRange,
            100 * $this->width,
            'true less said:',
            implode('  ', array_map(
                static fn (int $bin, array $sum): string => \sprintf('%d %%: %+.1f (%d)', 10 * $bin, 100 * $sum[1] / $sum[0], $sum[0]),
                array_keys($this->bins),
                $this->bins,
            )),
        );
    }
}
