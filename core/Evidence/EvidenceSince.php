<?php

declare(strict_types=1);

namespace Sitzplatz\Evidence;

/** The runs that no change to the printer has put in question since. */
final class EvidenceSince
{
    /**
     * @param list<EvidenceRun> $runs
     * @param list<Change>      $changes of the printer they were made on
     *
     * @return list<EvidenceRun>
     */
    public static function changes(array $runs, array $changes): array
    {
        return array_values(array_filter(
            $runs,
            static fn (EvidenceRun $run): bool => null === self::question($changes, $run->plateId, $run->endedAt),
        ));
    }

    /**
     * Whether what ended at a time on a plate is in question.
     *
     * @param list<Change> $changes of the printer it was made on
     * @param float        $endedAt Unix seconds
     */
    public static function question(array $changes, string $plateId, float $endedAt): ?Question
    {
        $question = null;
        foreach ($changes as $change) {
            if ($change->questions($plateId, $endedAt)) {
                if (ChangeKind::MachineFault === $change->kind) {
                    return Question::Faulty;
                }
                $question = Question::Changed;
            }
        }

        return $question;
    }

    /**
     * The last change before a time; null: there was none.
     *
     * @param list<Change> $changes in whatever order
     * @param float        $endedAt Unix seconds
     */
    public static function lastBefore(array $changes, float $endedAt): ?Change
    {
        $last = null;
        foreach ($changes as $change) {
            if ($change->at < $endedAt && (null === $last || $change->at > $last->at)) {
                $last = $change;
            }
        }

        return $last;
    }
}
