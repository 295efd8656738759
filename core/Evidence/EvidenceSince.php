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
        return array_values(array_filter($runs, static function (EvidenceRun $run) use ($changes): bool {
            foreach ($changes as $change) {
                if ($change->questions($run->plateId, $run->endedAt)) {
                    return false;
                }
            }

            return true;
        }));
    }
}
