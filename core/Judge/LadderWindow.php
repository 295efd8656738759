<?php

declare(strict_types=1);

namespace Sitzplatz\Judge;

use Sitzplatz\Statistics\ExactTrend;
use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/**
 * The window that a ladder implies: from the rung with the least grip that is shown to hold to the one with the most that is
 * shown to let go. Each end lies somewhere between two rungs, and both are said; what lies between rungs, or beyond them, was
 * not tried.
 */
final readonly class LadderWindow
{
    private const GAP = 'gap';
    /** What is smaller is only said to be. */
    private const SMALL = 0.001;

    private function __construct(
        /** The rung with the least grip that holds; null: none is shown to. */
        public ?float $holdsAt,
        /** The rung with the most grip that lets go; null: none is shown to. */
        public ?float $letsGoAt,
        /** One-sided, that what grips more holds more often; null: fewer than two rungs have runs, or there are too many to count. */
        public ?float $trendP,
        /** @var list<Sentence> */
        public array $sentences,
    ) {
    }

    /**
     * @param list<LadderRung> $rungs at least two
     * @param string           $scale bed, nozzle, exposure or gap
     */
    public static function of(array $rungs, string $scale): self
    {
        usort($rungs, static fn (LadderRung $a, LadderRung $b): int => $a->grip <=> $b->grip);
        $hold = self::end($rungs, static fn (LadderRung $rung): Answer => $rung->judgement->hold->answer);
        $release = self::end(array_reverse($rungs), static fn (LadderRung $rung): Answer => $rung->judgement->release->answer);
        $sentences = [self::said('hold', $hold, $scale), self::said('release', $release, $scale)];
        $holdsAt = $hold['contradicts'] ? null : $hold['from']?->at;
        $letsGoAt = $release['contradicts'] ? null : $release['from']?->at;
        if (null !== $holdsAt && null !== $letsGoAt && $hold['from']?->grip > $release['from']?->grip) {
            $sentences[] = Sentence::of('ladder.no_window');
            [$holdsAt, $letsGoAt] = [null, null];
        }
        $counts = array_values(array_filter(array_map(
            static fn (LadderRung $rung): array => [$rung->judgement->held->held, $rung->judgement->held->runs],
            $rungs,
        ), static fn (array $count): bool => $count[1] > 0));
        $p = \count($counts) < 2 ? null : ExactTrend::p($counts);
        if (null !== $p) {
            $sentences[] = $p < self::SMALL
                ? Sentence::of('ladder.trend_below', p: Quantity::number(self::SMALL, self::SMALL))
                : Sentence::of('ladder.trend', p: Quantity::number($p, self::SMALL));
        }

        return new self($holdsAt, $letsGoAt, $p, $sentences);
    }

    /**
     * Going up from the unlikely side: the first rung that is shown, and the one before it.
     *
     * @param list<LadderRung>             $rungs
     * @param \Closure(LadderRung): Answer $answer
     *
     * @return array{from: ?LadderRung, before: ?LadderRung, refused: bool, contradicts: bool}
     */
    private static function end(array $rungs, \Closure $answer): array
    {
        $from = $before = null;
        $contradicts = false;
        foreach ($rungs as $rung) {
            if (null === $from && Answer::Yes === $answer($rung)) {
                $from = $rung;
            } elseif (null === $from) {
                $before = $rung;
            } elseif (Answer::No === $answer($rung)) {
                $contradicts = true;
            }
        }

        return ['from' => $from, 'before' => $before, 'refused' => null !== $before && Answer::No === $answer($before), 'contradicts' => $contradicts];
    }

    /** @param array{from: ?LadderRung, before: ?LadderRung, refused: bool, contradicts: bool} $end */
    private static function said(string $question, array $end, string $scale): Sentence
    {
        $key = match (true) {
            null === $end['from'] => 'none',
            $end['contradicts'] => 'contradicts',
            null === $end['before'] => 'first',
            $end['refused'] => 'refused',
            default => 'open',
        };
        $nothing = $end['from'] ?? $end['before'];

        return null === $nothing || null === $end['from'] ? Sentence::of("ladder.$question.none") : Sentence::of(
            "ladder.$question.$key",
            at: self::quantity($scale, $end['from']->at),
            before: self::quantity($scale, ($end['before'] ?? $end['from'])->at),
            nearer: Sentence::of(self::GAP === $scale ? "ladder.$question.gap" : "ladder.$question.more"),
        );
    }

    private static function quantity(string $scale, float $at): Quantity
    {
        return match ($scale) {
            self::GAP => Quantity::millimetres($at),
            'exposure' => Quantity::seconds($at, 0.1),
            default => Quantity::celsius($at),
        };
    }
}
