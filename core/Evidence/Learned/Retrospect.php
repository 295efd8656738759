<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence\Learned;

use Sitzplatz\Statistics\Forecast;
use Sitzplatz\Statistics\ForecastScore;
use Sitzplatz\Statistics\LogisticNormal;
use Sitzplatz\Statistics\RunningShare;

/** A log gone through from its beginning: what would have been said of each print before it, by what was known then. Each shop learns by itself. */
final readonly class Retrospect
{
    /** No share is said to be surer than this where it is scored by its logarithm. */
    private const SUREST = 0.99;

    /**
     * @param list<LogisticNormal> $expected of each line, in the order of the log
     * @param list<float>          $running  what a running share of each setup would have said
     * @param list<float>          $practice what practice alone says
     * @param array<string, Shop>  $shops    as they are at the end
     */
    private function __construct(
        public Success $of,
        public array $expected,
        private array $running,
        private array $practice,
        public array $shops,
        /** @var list<bool|null> */
        private array $came,
    ) {
    }

    /**
     * @param list<LogLine>    $lines
     * @param int              $every   lines of a shop after which it learns again
     * @param list<EffectKind> $without that are taken to have no effect
     * @param bool             $spreads whether it learns by how much effects differ, too
     */
    public static function through(array $lines, Success $of, int $every, array $without = [], bool $spreads = true): self
    {
        $byShop = $expected = $running = $practice = $came = $shops = [];
        foreach ($lines as $i => $line) {
            $byShop[$line->shop][] = $i;
            $came[] = Success::Held === $of ? $line->held : $line->released;
        }
        foreach ($byShop as $name => $those) {
            usort($those, static fn (int $a, int $b): int => [$lines[$a]->time, $a] <=> [$lines[$b]->time, $b]);
            $learner = new Learner(Spreads::usual($of, $without), $spreads);
            $share = new RunningShare();
            $kept = [];
            foreach ($those as $n => $i) {
                $line = $lines[$i];
                $situation = Success::Held === $of ? $line->holding : $line->releasing;
                $expected[$i] = $learner->shop()->expects($situation);
                $practice[$i] = LogisticNormal::logistic($situation->practice);
                $running[$i] = $share->of($line->setup, $practice[$i]);
                if (null !== $came[$i]) {
                    $share->count($line->setup, $came[$i]);
                    $kept[] = new Answered($situation, $came[$i]);
                }
                if (0 === ($n + 1) % $every) {
                    $learner->learn($kept);
                }
            }
            if (0 !== \count($those) % $every) {
                $learner->learn($kept);
            }
            $shops[$name] = $learner->shop();
        }
        ksort($expected);
        ksort($running);
        ksort($practice);

        return new self($of, array_values($expected), array_values($running), array_values($practice), $shops, $came);
    }

    /**
     * Of the lines that were answered.
     *
     * @param list<int>|null $of places of lines; null: all
     *
     * @return array{learned: ?ForecastScore, running: ?ForecastScore, practice: ?ForecastScore}
     */
    public function scores(?array $of = null): array
    {
        $said = ['learned' => [], 'running' => [], 'practice' => []];
        $running = $this->running();
        foreach ($of ?? array_keys($this->came) as $i) {
            $came = $this->came[$i];
            if (null !== $came) {
                $said['learned'][] = new Forecast($this->expected[$i]->share(), $came);
                $said['running'][] = new Forecast($running[$i], $came);
                $said['practice'][] = new Forecast($this->practice[$i], $came);
            }
        }

        return array_map(ForecastScore::of(...), $said);
    }

    /**
     * Of each line, that it holds and comes off clean: what held is asked how it came off, so it is the product.
     *
     * @return list<float>
     */
    public function times(self $released): array
    {
        return array_map(
            static fn (LogisticNormal $hold, LogisticNormal $release): float => $hold->share() * $release->share(),
            $this->expected,
            $released->expected,
        );
    }

    /** @return list<float> what a running share of each setup would have said */
    public function running(): array
    {
        return array_map(static fn (float $share): float => min(self::SUREST, max(1 - self::SUREST, $share)), $this->running);
    }
}
