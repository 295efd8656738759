<?php

declare(strict_types=1);

namespace Sitzplatz\Test;

/**
 * Which runs of a setup may be looked at: in the order in which they were begun, up to the first that is not over. By the order in
 * which they end, failures would come early, and several printers would say "does not hold" too often (7 to 14 of 100 at the limit,
 * instead of 4 to 5). Where visits are the unit, one that is not over waits as a whole.
 */
final class LookOrder
{
    /**
     * @param list<BegunRun> $runs of one setup, those that are planned and not begun among them
     *
     * @return list<string> ids of those that count and may be looked at, in the order of the looks
     */
    public static function of(array $runs, bool $byVisit): array
    {
        $going = [];
        foreach ($runs as $run) {
            if (!$run->over && (null !== $run->beganAt || $byVisit)) {
                $going[$byVisit ? $run->visit : $run->id] = true;
            }
        }
        $begun = array_values(array_filter($runs, static fn (BegunRun $run): bool => null !== $run->beganAt));
        usort($begun, static fn (BegunRun $a, BegunRun $b): int => [$a->beganAt, $a->position] <=> [$b->beganAt, $b->position]);
        $looked = [];
        foreach ($begun as $run) {
            if (isset($going[$byVisit ? $run->visit : $run->id])) {
                break;
            }
            if (!$run->void) {
                $looked[] = $run->id;
            }
        }

        return $looked;
    }
}
