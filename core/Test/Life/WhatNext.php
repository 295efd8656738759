<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Words\Quantity;
use Sitzplatz\Words\Sentence;

/** What comes next for a comparison, by how far its runs are. */
enum WhatNext
{
    case Start;
    case GoOn;
    case NextRun;
    case Verdict;
    case Nothing;

    public static function of(ComparisonStatus $status, int $planned, int $running): self
    {
        return match (true) {
            ComparisonStatus::Draft === $status => self::Start,
            ComparisonStatus::Running !== $status => self::Nothing,
            $running > 0 => self::GoOn,
            $planned > 0 => self::NextRun,
            default => self::Verdict,
        };
    }

    public function words(int $planned, int $running): Sentence
    {
        return match ($this) {
            self::Start => Sentence::of('what_next.start'),
            self::GoOn => Sentence::of('what_next.go_on', running: Quantity::count($running), planned: Quantity::count($planned)),
            self::NextRun => Sentence::of('what_next.next_run', planned: Quantity::count($planned)),
            self::Verdict => Sentence::of('what_next.verdict'),
            self::Nothing => Sentence::of('what_next.nothing'),
        };
    }
}
