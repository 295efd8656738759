<?php

declare(strict_types=1);

namespace Sitzplatz\Test\Life;

use Sitzplatz\Test\Effort;
use Sitzplatz\Test\Life\Fact\Marked;
use Sitzplatz\Test\MarkKind;
use Sitzplatz\Test\Outcome;
use Sitzplatz\Words\Sentence;

/** The life of a print for use: begun, and answered in two touches, or dropped. Unanswered ones are never taken as held. */
final class JobLife
{
    /**
     * A print with a mark of harm on the plate harmed the plate, whether that was said beside it or not.
     *
     * @param Effort|null  $effort  wanted where the part held or lifted: it had to be taken off
     * @param bool         $damaged whether the plate was said to be
     * @param list<Marked> $marks   said with the answer
     *
     * @throws Refusal if it is not open, or how it came off is not said
     */
    public static function answer(JobState $job, Outcome $outcome, ?Effort $effort, bool $damaged, array $marks = []): JobAnswer
    {
        self::open($job);
        if ($outcome->pullPossible() && null === $effort) {
            throw Refusal::entry('effort', Sentence::of('job_life.say_effort'));
        }

        $harmed = [] !== array_filter($marks, static fn (Marked $mark): bool => MarkKind::Damage === $mark->kind);

        return new JobAnswer($outcome, $outcome->pullPossible() ? $effort : null, $damaged || $harmed, self::measured($job));
    }

    /**
     * What is marked on the plate with the answer.
     *
     * @param list<array{kind: MarkKind, x: float, y: float, place: int|null}> $marks as shares of width and depth
     *
     * @return list<Marked>
     *
     * @throws Refusal if there is no such place, or a part is said to have failed where all held
     */
    public static function marks(array $marks, int $parts, Outcome $outcome): array
    {
        return array_map(static fn (array $mark): Marked => Marked::on($mark['kind'], $mark['x'], $mark['y'], $mark['place'], $parts, $outcome), $marks);
    }

    /**
     * Somebody says with which setup it is printed.
     *
     * @throws Refusal if it is not open, or if that was said when it began: what was promised of it holds for that setup
     */
    public static function sayHow(JobState $job, bool $assumed): void
    {
        self::open($job);
        if (!$assumed) {
            throw Refusal::state(Sentence::of('job_life.setup_said'));
        }
    }

    /** @throws Refusal if it is not open */
    public static function drop(JobState $job): void
    {
        self::open($job);
    }

    /**
     * The printer has ended it: how long it printed, as it says itself, or since it began it.
     *
     * @param float|null $minutes null: it does not say
     *
     * @throws Refusal if it is not open, or the printer never began it
     */
    public static function reported(JobState $job, ?float $minutes): float
    {
        self::open($job);

        return $minutes ?? $job->machineBegunMinutesAgo ?? throw Refusal::state(Sentence::of('job_life.not_begun'));
    }

    /**
     * How long it printed: as the printer reported; else the touches bound it, and the plan, as nobody stands by when a long
     * print ends. Without either nobody measured it.
     */
    private static function measured(JobState $job): ?float
    {
        return match (true) {
            null !== $job->reportedMinutes => $job->reportedMinutes,
            null === $job->plannedMinutes => null,
            default => min($job->plannedMinutes, $job->begunMinutesAgo),
        };
    }

    /** @throws Refusal if it was answered or dropped */
    private static function open(JobState $job): void
    {
        if (JobStatus::Open !== $job->status) {
            throw Refusal::state(Sentence::of('job_life.'.$job->status->value));
        }
    }
}
